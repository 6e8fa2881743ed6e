import { HomeScreen } from '@/features/home/HomeScreen';
import { listDesigns } from '@/server/designs';

export const dynamic = 'force-dynamic';

export default async function HomePage() {
  const [designs, deleted] = await Promise.all([listDesigns(), listDesigns(true)]);
  return <HomeScreen designs={designs} deleted={deleted} />;
}
