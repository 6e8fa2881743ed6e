'use client';

import { Alert, Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useState, type ReactNode } from 'react';
import { Refused, request } from './requests';
import styles from './NewDesign.module.css';

interface BeginFormProps {
  /** What is asked of the server. */
  body: object;
  /** Where one goes from there. */
  stage: 'loads' | 'circuits';
  label?: string;
  /** Why it cannot begin yet. */
  why?: string | null;
  onMade?(designId: string): void;
  children: ReactNode;
}

/** Questions whose answers make a design; what the server refuses is said under them, and nothing is lost. */
export function BeginForm({ body, stage, label = 'Begin with it', why = null, onMade, children }: BeginFormProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<Refused | null>(null);
  const [sending, setSending] = useState(false);
  const start = async () => {
    setSending(true);
    try {
      const { id } = await request<{ id: string }>('POST', '/api/designs', body);
      onMade?.(id);
      router.push(`/d/${id}/${stage}`);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      setProblem(error);
      setSending(false);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void start();
      }}
    >
      {children}
      {problem && <Alert type="error" showIcon title={problem.message} description={problem.reasons.join('; ')} />}
      <div className={styles.inline}>
        <Button type="primary" htmlType="submit" loading={sending} disabled={why !== null}>
          {label}
        </Button>
        {why !== null && <span className={styles.why}>{why}</span>}
      </div>
    </form>
  );
}
