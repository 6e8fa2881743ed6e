import { answer } from '@/server/http';
import { designOfLink } from '@/server/links';
import { reportFile } from '@/server/reports';

export function GET(request: Request, { params }: { params: Promise<{ key: string }> }): Promise<Response> {
  return answer(request, async () => reportFile(request, await designOfLink((await params).key)));
}
