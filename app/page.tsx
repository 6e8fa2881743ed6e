import Link from 'next/link';
import { listDesigns } from '@/server/designs';

export const dynamic = 'force-dynamic';

export default async function HomePage() {
  const designs = await listDesigns();
  return (
    <main>
      {designs.map(({ id, name }) => (
        <Link key={id} href={`/d/${id}/circuits`}>
          {name}
        </Link>
      ))}
    </main>
  );
}
