interface At {
  xMm: number;
  yMm: number;
  zMm?: number;
}

/**
 * A DXF drawing in millimetres: release 12 entities only, which every reader knows. Y runs up in DXF, so what lies further down here lies
 * at a negative one. Source: the published DXF reference, R12 group codes, from memory.
 */
export class DxfDrawing {
  private readonly out: string[] = [];

  constructor() {
    this.put(0, 'SECTION').put(2, 'HEADER').put(9, '$ACADVER').put(1, 'AC1009').put(9, '$INSUNITS').put(70, 4).put(0, 'ENDSEC');
    this.put(0, 'SECTION').put(2, 'ENTITIES');
  }

  private put(code: number, value: string | number): this {
    this.out.push(String(code), String(value));
    return this;
  }

  private at({ xMm, yMm, zMm = 0 }: At): this {
    return this.put(10, xMm).put(20, yMm === 0 ? 0 : -yMm).put(30, zMm); // prettier-ignore
  }

  polyline(layer: string, points: readonly At[], { closed = false, spatial = false } = {}): void {
    this.put(0, 'POLYLINE').put(8, layer).put(66, 1).put(70, (closed ? 1 : 0) + (spatial ? 8 : 0)).at({ xMm: 0, yMm: 0 }); // prettier-ignore
    for (const point of points) this.put(0, 'VERTEX').put(8, layer).at(point).put(70, spatial ? 32 : 0); // prettier-ignore
    this.put(0, 'SEQEND').put(8, layer);
  }

  circle(layer: string, middle: At, radiusMm: number): void {
    this.put(0, 'CIRCLE').put(8, layer).at(middle).put(40, radiusMm);
  }

  text(layer: string, words: string, point: At, heightMm: number): void {
    this.put(0, 'TEXT').put(8, layer).at(point).put(40, heightMm).put(1, plainText(words)); // prettier-ignore
  }

  /** The whole file. */
  end(): string {
    this.put(0, 'ENDSEC').put(0, 'EOF');
    return `${this.out.join('\r\n')}\r\n`;
  }
}

/** Release 12 text is ASCII; other letters are written by their code. */
function plainText(words: string): string {
  return words.replace(/[\r\n]/g, ' ').replace(/[^\x20-\x7e]/gu, (letter) => {
    const code = letter.codePointAt(0)!;
    return code <= 0xffff ? `\\U+${code.toString(16).toUpperCase().padStart(4, '0')}` : '?';
  });
}
