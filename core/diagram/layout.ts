import type { ElkExtendedEdge, ElkNode, ElkPort } from 'elkjs/lib/elk-api.js';
import type { Sketch, SketchPart, SketchPort, SketchWire } from './drawing';

/** A sheet laid out: everything where it is drawn. Lengths in the drawing's own unit, a symbol being 36 wide. */
export interface Drawing {
  id: string;
  title: string;
  width: number;
  height: number;
  parts: DrawnPart[];
  wires: DrawnWire[];
}

export interface Point {
  x: number;
  y: number;
}

export interface DrawnPart extends SketchPart {
  /** Middle of its symbol. */
  symbolAt: Point;
  x: number;
  y: number;
  width: number;
  height: number;
  ports: (SketchPort & Point)[];
}

export interface DrawnWire extends SketchWire {
  points: Point[];
  /** Middle of its label. */
  labelAt: Point;
}

/** Type on a sheet, and how wide a letter of it is taken to be. */
export const TYPE = { name: 11, terminal: 9, label: 9.5 } as const;
const LETTER = 0.6;
const textWidth = (text: string, size: number) => text.length * size * LETTER;

/** Room a line's label takes. */
export function labelSize(label: string): Size {
  return { width: textWidth(label, TYPE.label) + 6, height: TYPE.label + 4 };
}

const PORT_GAP = 22;
const SYMBOL = 36;
/** Over a part: the room its name has. */
export const HEAD = 18;

/** How a sheet that wraps is laid out: its width to its height, and how parts are put in columns; the best first. */
const WRAPPED = [1.25, 1.6, 1, 0.8, 2, 2.5].flatMap((aspect) =>
  ['NETWORK_SIMPLEX', 'LONGEST_PATH'].map((layering) => ({
    'elk.layered.wrapping.strategy': 'MULTI_EDGE',
    'elk.aspectRatio': String(aspect),
    'elk.layered.layering.strategy': layering,
  })),
);

/** What finds places for everything: the layout package, in this thread or in a worker. */
export interface Layouter {
  layout(graph: ElkNode): Promise<ElkNode>;
}

/**
 * Lays a sheet out by itself: layers from left to right, lines at right angles, nothing over anything else. The same sheet always comes out
 * the same.
 */
export async function layOutByItself(sketch: Sketch, elk: Layouter): Promise<Drawing> {
  if (sketch.wraps)
    for (const wrapped of WRAPPED) {
      const drawing = await laidOut(sketch, elk, wrapped);
      // The layout package loses the end of a line at times where it wraps.
      if (drawing.wires.every((wire) => isJoined(wire, drawing))) return drawing;
    }
  return laidOut(sketch, elk, {});
}

/** Whether a line runs from the one terminal to the other. */
function isJoined({ from, to, points }: DrawnWire, { parts }: Drawing): boolean {
  const ports = parts.flatMap((part) => part.ports);
  const meets = (id: string, point: Point | undefined) => {
    const port = ports.find((one) => one.id === id);
    return port !== undefined && point !== undefined && Math.hypot(port.x - point.x, port.y - point.y) < 1;
  };
  return meets(from, points[0]) && meets(to, points.at(-1));
}

async function laidOut({ id: sheetId, title, parts, wires }: Sketch, elk: Layouter, more: Record<string, string>): Promise<Drawing> {
  const sizes = new Map(parts.map((part) => [part.id, sizeOf(part)]));
  const graph: ElkNode = {
    id: 'sheet',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.spacing.nodeNode': '26',
      'elk.spacing.edgeNode': '14',
      'elk.spacing.edgeEdge': '12',
      'elk.spacing.edgeLabel': '3',
      'elk.layered.spacing.nodeNodeBetweenLayers': '34',
      'elk.layered.spacing.edgeNodeBetweenLayers': '16',
      'elk.layered.spacing.edgeEdgeBetweenLayers': '12',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
      'elk.padding': '[top=14,left=14,bottom=14,right=14]',
      'elk.randomSeed': '1',
      ...more,
    },
    children: parts.map((part) => nodeOf(part, sizes.get(part.id)!)),
    edges: wires.map(({ wireId, from, to, label }): ElkExtendedEdge => ({
      id: wireId,
      sources: [from],
      targets: [to],
      labels: [
        {
          text: label,
          ...labelSize(label),
          layoutOptions: { 'elk.edgeLabels.placement': 'CENTER' },
        },
      ],
    })),
  };
  const laid = await elk.layout(graph);
  const nodes = new Map((laid.children ?? []).map((node) => [node.id, node]));
  const edges = new Map((laid.edges ?? []).map((edge) => [edge.id, edge]));
  return {
    id: sheetId,
    title,
    width: laid.width ?? 0,
    height: laid.height ?? 0,
    parts: parts.map((part) => drawnPart(part, nodes.get(part.id)!)),
    wires: wires.map((wire) => drawnWire(wire, edges.get(wire.wireId)!)),
  };
}

interface Size {
  width: number;
  height: number;
}

function sizeOf({ name, ports }: SketchPart): Size {
  const rows = (side: SketchPort['side']) => ports.filter((port) => port.side === side).length;
  const most = Math.max(rows('left'), rows('right'), 1);
  const width = Math.max(widest({ ports }, 'left') + widest({ ports }, 'right') + SYMBOL + 12, textWidth(name, TYPE.name) + 8);
  return { width: Math.ceil(width), height: HEAD + Math.max(SYMBOL + 10, most * PORT_GAP + 6) };
}

/** Room the terminals' names take on one side. */
function widest({ ports }: Pick<SketchPart, 'ports'>, side: SketchPort['side']): number {
  return Math.max(0, ...ports.filter((port) => port.side === side).map(({ says }) => textWidth(says, TYPE.terminal) + 7));
}

/** Ports under one another in the middle of what is below the name. */
function portPlaces({ ports }: SketchPart, { width, height }: Size): Map<string, Point> {
  const places = new Map<string, Point>();
  for (const side of ['left', 'right'] as const) {
    const mine = ports.filter((port) => port.side === side);
    const top = HEAD + (height - HEAD) / 2 - ((mine.length - 1) * PORT_GAP) / 2;
    mine.forEach(({ id }, at) => places.set(id, { x: side === 'left' ? 0 : width, y: top + at * PORT_GAP }));
  }
  return places;
}

function nodeOf(part: SketchPart, size: Size): ElkNode {
  const places = portPlaces(part, size);
  return {
    id: part.id,
    ...size,
    layoutOptions: { 'elk.portConstraints': 'FIXED_POS' },
    ports: part.ports.map(({ id, side }): ElkPort => ({
      id,
      width: 0,
      height: 0,
      ...places.get(id)!,
      layoutOptions: { 'elk.port.side': side === 'left' ? 'WEST' : 'EAST' },
    })),
  };
}

function drawnPart(part: SketchPart, { x = 0, y = 0, width = 0, height = 0 }: ElkNode): DrawnPart {
  const places = portPlaces(part, { width, height });
  const left = widest(part, 'left');
  const symbolAt = { x: x + left + (width - left - widest(part, 'right')) / 2, y: y + HEAD + (height - HEAD) / 2 };
  return {
    ...part,
    symbolAt,
    x,
    y,
    width,
    height,
    ports: part.ports.map((port) => ({ ...port, x: x + places.get(port.id)!.x, y: y + places.get(port.id)!.y })),
  };
}

/** A part drawn elsewhere. */
export function moved(part: DrawnPart, { x, y }: Point): DrawnPart {
  return drawnPart(part, { id: part.id, x, y, width: part.width, height: part.height });
}

function drawnWire(wire: SketchWire, { sections = [], labels = [] }: ElkExtendedEdge): DrawnWire {
  const points = sections.flatMap(({ startPoint, bendPoints = [], endPoint }) => [startPoint, ...bendPoints, endPoint]);
  const { x = 0, y = 0, width = 0, height = 0 } = labels[0] ?? {};
  return { ...wire, points: points.map(({ x: atX, y: atY }) => ({ x: atX, y: atY })), labelAt: { x: x + width / 2, y: y + height / 2 } };
}
