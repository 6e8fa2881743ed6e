import Link from 'next/link';
import styles from '@/ui/Plain.module.css';
import { WindowTitle } from '@/ui/WindowTitle';

export default function NotFoundPage() {
  return (
    <main className={styles.page}>
      <WindowTitle says={['Nothing here']} />
      <h1>Nothing here</h1>
      <p>There is no such page, or the design has been deleted. A deleted design can be brought back from the list.</p>
      <Link href="/">To all designs</Link>
    </main>
  );
}
