import { redirect } from 'next/navigation';

export default async function DesignPage({ params }: { params: Promise<{ id: string }> }) {
  redirect(`/d/${(await params).id}/loads`);
}
