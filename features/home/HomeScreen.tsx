'use client';

import { Alert, Button } from 'antd';
import { Moon, Plus, Sun } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState, useTransition } from 'react';
import { LIMITS } from '@/core/catalog/vocabulary';
import type { DesignPage, DesignSummary } from '@/server/designs';
import { Dialog } from '@/ui/Dialog';
import { EmptyStage } from '@/ui/EmptyStage';
import { useTheme } from '@/ui/ThemeProvider';
import { NameInput } from '@/ui/NameInput';
import { nameProblem } from '@/ui/nameProblem';
import { DesignRow } from './DesignRow';
import { Refused, request } from './requests';
import { useDesignPages } from './useDesignPages';
import styles from './Home.module.css';
import { useShortcut } from '@/ui/useShortcut';
import { Input } from '@/ui/Input';

interface HomeScreenProps {
  /** The first part of the list. */
  first: DesignPage;
  deleted: DesignPage;
  /** A password was asked for, and can be asked for again. */
  hasPassword: boolean;
}

/** Designs from which on they can be searched by name. */
const SEARCHED_FROM = 12;

/** All designs with what matters of each, and making, copying, naming, removing, taking in and giving out. */
export function HomeScreen({ first, deleted, hasPassword }: HomeScreenProps) {
  const router = useRouter();
  const { theme, setTheme } = useTheme();
  const [problem, setProblem] = useState<Refused | null>(null);
  const [justDeleted, setJustDeleted] = useState<DesignSummary | null>(null);
  const [renaming, setRenaming] = useState<{ id: string; name: string } | null>(null);
  const [working, startWork] = useTransition();
  const fileInput = useRef<HTMLInputElement>(null);
  useShortcut('n', () => router.push('/new'));

  const tell = (error: unknown) => {
    if (!(error instanceof Refused)) throw error;
    setProblem(error);
  };
  const { page, find, setFind, reading, readOn } = useDesignPages(first, tell);
  const end = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (!end.current) return;
    const watch = new IntersectionObserver(([entry]) => entry?.isIntersecting && readOn(), { rootMargin: '600px' });
    watch.observe(end.current);
    return () => watch.disconnect();
  });

  const act = (work: () => Promise<unknown>) =>
    startWork(async () => {
      try {
        setProblem(null);
        await work();
        router.refresh();
      } catch (error) {
        tell(error);
      }
    });
  const takeFile = (file: File | undefined) => {
    if (!file) return;
    act(async () => {
      const text = await file.text();
      const { splitDesignsFile } = await import('@/core/formats/designFile');
      const several = splitDesignsFile(text);
      if (several) return takeSeveral(several);
      if (file.size > LIMITS.importBytes)
        throw new Refused(`${file.name} is larger than ${LIMITS.importBytes / 1_000_000} MB; nothing was taken.`, []);
      const { id } = await request<{ id: string }>('POST', '/api/designs', { file: text });
      router.push(`/d/${id}/loads`);
    });
  };
  /** Each by itself, so that one that cannot be taken costs no other. */
  const takeSeveral = async (files: string[]) => {
    const refused: string[] = [];
    for (const [at, file] of files.entries()) {
      try {
        await request('POST', '/api/designs', { file });
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        refused.push(`Design ${at + 1}: ${[error.message, ...error.reasons.slice(0, 2)].join('; ')}`);
      }
    }
    router.refresh();
    if (refused.length > 0) throw new Refused(`${files.length - refused.length} of ${files.length} designs were taken.`, refused);
  };
  const remove = (design: DesignSummary) =>
    act(async () => {
      await request('DELETE', `/api/designs/${design.id}`);
      setJustDeleted(design);
    });
  const restore = (id: string) =>
    act(async () => {
      await request('POST', `/api/designs/${id}/restore`);
      setJustDeleted(null);
    });
  const rename = () => {
    const wanted = renaming?.name.trim();
    if (!renaming || !wanted) return;
    setRenaming(null);
    act(() => request('POST', `/api/designs/${renaming.id}/rename`, { name: wanted }));
  };

  return (
    <main className={styles.home}>
      <header className={styles.head}>
        <div>
          <h1>Vine Knot</h1>
          <p>12-volt house systems: loads, supply, circuits, checked as you type.</p>
        </div>
        <span className={styles.tools}>
          <Button
            type="text"
            aria-label={theme === 'night' ? 'Light theme' : 'Night theme'}
            icon={theme === 'night' ? <Sun size={18} /> : <Moon size={18} />}
            onClick={() => setTheme(theme === 'night' ? 'light' : 'night')}
          />
          <input
            ref={fileInput}
            type="file"
            accept=".json,application/json"
            className="visually-hidden"
            tabIndex={-1}
            aria-label="Design file"
            onChange={(event) => takeFile(event.target.files?.[0])}
            onClick={(event) => (event.currentTarget.value = '')}
          />
          <Link href="/practise">
            <Button>Practise</Button>
          </Link>
          {hasPassword && <Button onClick={() => act(() => request('POST', '/api/leave'))}>Lock</Button>}
          {first.total > 0 && <Button href="/api/export">Save all designs</Button>}
          <Button onClick={() => fileInput.current?.click()}>Import designs</Button>
          <Link href="/new">
            <Button type="primary" icon={<Plus size={16} />}>
              New design
            </Button>
          </Link>
        </span>
      </header>
      {problem && (
        <Alert
          type="error"
          showIcon
          closable={{ onClose: () => setProblem(null) }}
          title={problem.message}
          description={
            problem.reasons.length > 0 && (
              <ul className={styles.reasons}>
                {problem.reasons.map((reason) => (
                  <li key={reason}>{reason}</li>
                ))}
              </ul>
            )
          }
        />
      )}
      {justDeleted && (
        <Alert
          type="info"
          showIcon
          title={`${justDeleted.name} has been deleted.`}
          action={
            <Button size="small" onClick={() => restore(justDeleted.id)}>
              Undo
            </Button>
          }
        />
      )}
      {first.total === 0 ? (
        <EmptyStage
          title="No design yet"
          text="A design holds one vehicle’s house system. A few questions set it up; then list what draws current and everything else follows."
        >
          <Link href="/new">
            <Button type="primary">Start a design, or open an example</Button>
          </Link>
        </EmptyStage>
      ) : (
        <>
          {first.total >= SEARCHED_FROM && (
            <span className={styles.search}>
              <Input
                type="search"
                allowClear
                aria-label="Find a design by its name"
                placeholder="Find by name"
                value={find}
                onChange={(event) => setFind(event.target.value)}
              />
              <span role="status">{find === '' ? `${page.total} designs` : `${page.total} of ${first.total} designs`}</span>
            </span>
          )}
          <ul className={styles.list} aria-busy={working || reading}>
            {page.designs.map((design) => (
              <DesignRow
                key={design.id}
                design={design}
                onRename={() => setRenaming({ id: design.id, name: design.name })}
                onDuplicate={() => act(() => request('POST', `/api/designs/${design.id}/duplicate`))}
                onDelete={() => remove(design)}
              />
            ))}
          </ul>
          {page.next !== null && (
            <Button ref={end} loading={reading} onClick={readOn}>
              Show more
            </Button>
          )}
        </>
      )}
      {deleted.total > 0 && (
        <details className={styles.deleted}>
          <summary>Deleted designs ({deleted.total})</summary>
          <ul>
            {deleted.designs.map(({ id, name }) => (
              <li key={id}>
                {name}
                <Button size="small" onClick={() => restore(id)}>
                  Bring back
                </Button>
                <Button size="small" danger onClick={() => act(() => request('DELETE', `/api/designs/${id}?erase`))}>
                  Erase for good
                </Button>
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className={styles.foot}>
        A drawing board, not a licence: local codes and a licensed person come first. Isolate before work, protect at the source, keep an
        extinguisher within reach.
      </p>
      {renaming && (
        <Dialog
          open
          title="Rename the design"
          okText="Rename"
          okButtonProps={{ disabled: nameProblem(renaming.name) !== null }}
          onOk={rename}
          onCancel={() => setRenaming(null)}
          width={380}
        >
          <NameInput
            label="Name of the design"
            value={renaming.name}
            onChange={(name) => setRenaming({ ...renaming, name })}
            onEnter={rename}
          />
        </Dialog>
      )}
    </main>
  );
}
