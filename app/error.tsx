'use client';

import styles from '@/ui/Plain.module.css';

export default function ErrorPage({ reset }: { error: Error; reset(): void }) {
  return (
    <main className={styles.page}>
      <h1>This page failed</h1>
      <p>Everything acknowledged as saved is safe. Try again; if it fails again, export the design from the list and keep the file.</p>
      <button type="button" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
