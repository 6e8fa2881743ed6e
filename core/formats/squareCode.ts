import qrcode from 'qrcode-generator';
import { n } from './paper';

/** Light modules round a code. Source: ISO/IEC 18004 asks for four. */
const QUIET = 4;

/**
 * A text as a square code of this side, its quiet zone within it, as the `d` of one path to be filled. Middle error correction: a scratch
 * does no harm.
 */
export function squareCode(text: string, sideMm: number): string {
  const code = qrcode(0, 'M');
  code.addData(text);
  code.make();
  const count = code.getModuleCount();
  const unit = sideMm / (count + 2 * QUIET);
  const at = (module: number) => n((module + QUIET) * unit);
  let path = '';
  for (let row = 0; row < count; row++)
    for (let column = 0; column < count; column++) {
      if (!code.isDark(row, column)) continue;
      // Dark modules side by side are one bar: thousands of squares would leave hairlines between them.
      let end = column;
      while (end + 1 < count && code.isDark(row, end + 1)) end++;
      path += `M${at(column)} ${at(row)}H${at(end + 1)}V${at(row + 1)}H${at(column)}Z`;
      column = end;
    }
  return path;
}
