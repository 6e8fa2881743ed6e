import { Button } from 'antd';
import Link from 'next/link';
import { useCallback, useMemo, useState } from 'react';
import { makeDesign } from '@/core/design/design';
import type { DesignRecord } from '@/core/design/schema';
import type { Hunt } from '@/core/practise/hunt';
import { randomHunt } from '@/core/practise/randomHunt';
import { writeHuntFile } from '@/core/practise/huntFile';
import { EmptyStage } from '@/ui/EmptyStage';
import { saveFile } from '@/ui/saveFile';
import { HuntScreen } from './HuntScreen';
import { MakeHuntButton } from './MakeHunt';
import { useLearner } from './useLearner';

/** A fault drawn into a copy of a design; the design never changes. It can be saved and given to somebody. */
export function DesignHunt({ designId, records }: { designId: string; records: readonly DesignRecord[] }) {
  const [seed, setSeed] = useState(() => Math.floor(Math.random() * 1e6));
  const { keep } = useLearner();
  const design = useMemo(() => makeDesign([...records]), [records]);
  const [own, setOwn] = useState<Hunt | null>(null);
  const drawn = useMemo(() => {
    const found = randomHunt(design, seed);
    return found && { ...found, id: `${designId}-${seed}` };
  }, [designId, design, seed]);
  const hunt = own ?? drawn;
  const onDone = useCallback(
    (points: number) => keep({ kind: 'hunt', subject: 'own design', seed: own ? null : seed, points }),
    [keep, seed, own],
  );
  if (!hunt) {
    return (
      <EmptyStage title="Nothing to hunt yet" text="A fault needs a wired load that can be switched on: wire one, then come back.">
        <Link href={`/d/${designId}/circuits`}>
          <Button type="primary">To the circuits</Button>
        </Link>
      </EmptyStage>
    );
  }
  return (
    <HuntScreen
      key={hunt.id}
      hunt={hunt}
      onDone={onDone}
      back={{ href: `/d/${designId}/test`, says: 'Build and test' }}
      more={
        <>
          <Button
            size="small"
            onClick={() => {
              setOwn(null);
              setSeed(seed + 1);
            }}
          >
            Another fault
          </Button>
          <MakeHuntButton design={design} onMade={(made) => setOwn({ ...made, id: `${designId}-${made.id}` })} />
          <Button size="small" onClick={() => saveFile('hunt.json', writeHuntFile(hunt))}>
            Save as a file for somebody
          </Button>
        </>
      }
    />
  );
}
