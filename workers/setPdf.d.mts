import type { PaperDrawings } from '../core/formats/paper';
import type { Report } from '../core/formats/reportSection';

export function reportPdf(report: Report, date: string): Promise<Buffer>;
export function drawingsPdf(drawings: PaperDrawings): Promise<Buffer>;
