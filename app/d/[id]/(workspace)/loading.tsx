import styles from '@/ui/Plain.module.css';

export default function Loading() {
  return (
    <p className={styles.page} role="status">
      Opening…
    </p>
  );
}
