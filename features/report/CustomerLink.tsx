'use client';

import { Alert, Button, Input } from 'antd';
import { useState } from 'react';
import { Refused, request } from '@/features/home/requests';
import { Dialog } from '@/ui/Dialog';
import styles from './Report.module.css';

/** Hands out an address by which a customer reads this report and nothing else, and takes it back. */
export function CustomerLink({ designId }: { designId: string }) {
  const [open, setOpen] = useState(false);
  const [key, setKey] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [copied, setCopied] = useState(false);
  const [working, setWorking] = useState(false);

  const ask = async (method: 'GET' | 'POST' | 'DELETE') => {
    setWorking(true);
    setProblem(null);
    setCopied(false);
    try {
      const answer = await request<{ key: string | null }>(method, `/api/designs/${designId}/link`);
      setKey(answer.key);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      setProblem(error.message);
    } finally {
      setWorking(false);
    }
  };
  const show = () => {
    setOpen(true);
    void ask('GET');
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
    <>
      <Button onClick={show}>Link for the customer</Button>
      <Dialog open={open} title="Link for the customer" onCancel={() => setOpen(false)} footer={null} width={560}>
        <p>
          Whoever has the link can read this report, as the design stands at the time, and save it as PDF. They see no other design and can
          change nothing. No password is asked of them.
        </p>
        {problem && <Alert type="error" showIcon title={problem} />}
        {key === null ? (
          <Button type="primary" loading={working} onClick={() => void ask('POST')}>
            Make a link
          </Button>
        ) : (
          <div className={styles.link}>
            <Input readOnly aria-label="Address of the link" value={address} onFocus={(event) => event.target.select()} />
            <Button type="primary" onClick={() => void copy()}>
              {copied ? 'Copied' : 'Copy'}
            </Button>
            <Button danger loading={working} onClick={() => void ask('DELETE')}>
              Take the link back
            </Button>
          </div>
        )}
      </Dialog>
    </>
  );
}
