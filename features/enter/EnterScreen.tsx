'use client';

import { Alert, Button, Input, type InputRef } from 'antd';
import { useRef, useState, type FormEvent } from 'react';
import { Refused, request } from '@/features/home/requests';
import { useTypedEarly } from '@/ui/useTypedEarly';
import styles from './Enter.module.css';

/** Asks for the server's password and goes on to where one was going. */
export function EnterScreen({ next }: { next: string }) {
  const field = useRef<InputRef>(null);
  const [password, setPassword] = useState('');
  useTypedEarly(() => field.current?.input, setPassword);
  const [problem, setProblem] = useState<string | null>(null);
  const [working, setWorking] = useState(false);
  const enter = async (event: FormEvent) => {
    event.preventDefault();
    setWorking(true);
    setProblem(null);
    try {
      await request('POST', '/api/enter', { password });
      // A whole load: what was fetched before as a stranger is not used again.
      window.location.assign(next);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      setProblem(error.message);
      setWorking(false);
    }
  };
  return (
    <main className={styles.enter}>
      <h1>Vine Knot</h1>
      <p>This server asks for a password before it shows a design.</p>
      <form onSubmit={(event) => void enter(event)}>
        <label htmlFor="password">Password</label>
        <Input.Password
          ref={field}
          id="password"
          autoFocus
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
        />
        <Button type="primary" htmlType="submit" loading={working} disabled={password === ''}>
          Enter
        </Button>
      </form>
      {problem && <Alert type="error" showIcon title={`${problem[0]!.toUpperCase()}${problem.slice(1)}.`} />}
    </main>
  );
}
