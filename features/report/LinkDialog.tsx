'use client';

import { Alert, Button } from 'antd';
import { useCallback, useEffect, useState } from 'react';
import { Refused, request } from '@/features/home/requests';
import { Dialog } from '@/ui/Dialog';
import { Input } from '@/ui/Input';
import styles from './Report.module.css';

/** Hands out an address by which a customer reads this report and nothing else, and takes it back. */
export function LinkDialog({ designId, onClose }: { designId: string; onClose(): void }) {
  const [key, setKey] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [copied, setCopied] = useState(false);
  const [working, setWorking] = useState(true);

  const ask = useCallback(
    (method: 'GET' | 'POST' | 'DELETE') =>
      request<{ key: string | null }>(method, `/api/designs/${designId}/link`)
        .then((answer) => setKey(answer.key))
        .catch((error: unknown) => {
          if (!(error instanceof Refused)) throw error;
          setProblem(error.message);
        })
        .finally(() => setWorking(false)),
    [designId],
  );
  useEffect(() => void ask('GET'), [ask]);
  const change = (method: 'POST' | 'DELETE') => {
    setWorking(true);
    setProblem(null);
    setCopied(false);
    void ask(method);
  };
  const address = key === null ? '' : `${window.location.origin}/s/${key}`;
  // Only a page over TLS or on this machine may write to the clipboard; elsewhere the address is there to be selected.
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(address);
      setCopied(true);
    } catch {
      setProblem('This browser does not let the page copy. Select the address and copy it.');
    }
  };

  return (
    <Dialog open title="Link for the customer" onCancel={onClose} footer={null} width={560}>
      <p>
        Whoever has the link can read this report, as the design stands at the time, and save it as PDF. They see no other design and can
        change nothing. No password is asked of them.
      </p>
      {problem && <Alert type="error" showIcon title={problem} />}
      {key === null ? (
        <Button type="primary" loading={working} onClick={() => change('POST')}>
          Make a link
        </Button>
      ) : (
        <div className={styles.link}>
          <Input readOnly aria-label="Address of the link" value={address} onFocus={(event) => event.target.select()} />
          <Button type="primary" onClick={() => void copy()}>
            {copied ? 'Copied' : 'Copy'}
          </Button>
          <Button danger loading={working} onClick={() => change('DELETE')}>
            Take the link back
          </Button>
        </div>
      )}
    </Dialog>
  );
}
