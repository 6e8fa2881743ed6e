import { analyse } from '@/core/analysis/analyse';
import { writeBudgetCsv } from '@/core/formats/budgetCsv';
import { attachment } from '@/server/attachment';
import { readDesign } from '@/server/stored';
import { route } from '@/server/http';

export const GET = route(async (_request, id) => {
  const { design } = await readDesign(id);
  return attachment(design, writeBudgetCsv(analyse(design)), 'text/csv; charset=utf-8', 'budget.csv');
});
