import type { Metadata } from 'next';
import { NewDesignScreen } from '@/features/home/NewDesignScreen';

export const metadata: Metadata = { title: 'A new design' };

export default function NewDesignPage() {
  return <NewDesignScreen />;
}
