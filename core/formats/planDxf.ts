import type { Analysis } from '../analysis/types';
import { bodyOutline } from '../rig/bodies';
import type { Point } from '../rig/geometry';

/**
 * The plan as a DXF drawing in millimetres, for drawing programs: layers BODY, ZONES, ROUTES and PLACES. Release 12 entities
 * only, which every reader knows. Source: the published DXF reference, R12 group codes, from memory. Y runs up in DXF, so
 * the right side of the vehicle is below.
 */
export function writePlanDxf({ index }: Analysis): string {
  const { rig, places, routes } = index.layout;
  const out: string[] = [];
  const put = (code: number, value: string | number) => out.push(String(code), String(value));
  const at = ({ xMm, yMm, zMm = 0 }: Pick<Point, 'xMm' | 'yMm'> & { zMm?: number }) => {
    put(10, xMm);
    put(20, yMm === 0 ? 0 : -yMm);
    put(30, zMm);
  };
  const polyline = (
    layer: string,
    points: readonly (Pick<Point, 'xMm' | 'yMm'> & { zMm?: number })[],
    closed: boolean,
    spatial: boolean,
  ) => {
    put(0, 'POLYLINE');
    put(8, layer);
    put(66, 1);
    put(70, (closed ? 1 : 0) + (spatial ? 8 : 0));
    at({ xMm: 0, yMm: 0 });
    for (const point of points) {
      put(0, 'VERTEX');
      put(8, layer);
      at(point);
      put(70, spatial ? 32 : 0);
    }
    put(0, 'SEQEND');
    put(8, layer);
  };
  const text = (layer: string, words: string, point: Pick<Point, 'xMm' | 'yMm'>, heightMm: number) => {
    put(0, 'TEXT');
    put(8, layer);
    at(point);
    put(40, heightMm);
    put(1, plainText(words));
  };

  put(0, 'SECTION');
  put(2, 'HEADER');
  put(9, '$ACADVER');
  put(1, 'AC1009');
  put(9, '$INSUNITS');
  put(70, 4);
  put(0, 'ENDSEC');
  put(0, 'SECTION');
  put(2, 'ENTITIES');
  polyline('BODY', bodyOutline(rig), true, false);
  for (const { name, plan } of index.zones) {
    if (!plan) continue;
    const { xMm, yMm, lengthMm, widthMm } = plan;
    const corners = [
      { xMm, yMm },
      { xMm: xMm + lengthMm, yMm },
      { xMm: xMm + lengthMm, yMm: yMm + widthMm },
      { xMm, yMm: yMm + widthMm },
    ];
    polyline('ZONES', corners, true, false);
    text('ZONES', name, { xMm: xMm + 40, yMm: yMm + 110 }, 80);
  }
  for (const { route } of routes.values()) {
    polyline('ROUTES', [places.get(route.fromId)!, ...route.bends, places.get(route.toId)!], false, true);
  }
  for (const place of places.values()) {
    put(0, 'CIRCLE');
    put(8, 'PLACES');
    at(place);
    put(40, 25);
    text('PLACES', place.name, { xMm: place.xMm + 45, yMm: place.yMm + 20 }, 55);
  }
  put(0, 'ENDSEC');
  put(0, 'EOF');
  return `${out.join('\r\n')}\r\n`;
}

/** Release 12 text is ASCII; other letters are written by their code. */
function plainText(words: string): string {
  return words.replace(/[\r\n]/g, ' ').replace(/[^\x20-\x7e]/gu, (letter) => {
    const code = letter.codePointAt(0)!;
    return code <= 0xffff ? `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}` : '?';
  });
}
