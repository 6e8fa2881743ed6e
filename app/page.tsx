import { HomeScreen } from '@/features/home/HomeScreen';
import { asksForPassword } from '@/server/access';
import { listDesigns } from '@/server/designs';

export const dynamic = 'force-dynamic';

export default async function HomePage() {
  const [designs, deleted] = await Promise.all([listDesigns(), listDesigns({ deleted: true })]);
  return <HomeScreen first={designs} deleted={deleted} hasPassword={asksForPassword()} />;
}
