import type { FigureData } from './figure';
import { endsOf } from './motion';
import { svgOf } from './picture';

/*
 * Draws figures that stand still, for paper and for the contact sheets: reads what the core worked out, writes SVG.
 * A program of its own, made with the front end and run by the server beside what makes PDFs.
 */
interface Asked {
  figure: FigureData;
  mirrored: boolean;
  /** Levels to draw; without them the two ends. */
  levels?: number[];
  /** As the small pictures are. */
  isSmall?: boolean;
}

const drawn = ({ figure, mirrored, levels, isSmall = false }: Asked): string[] =>
  (levels?.map((level) => ({ level, isLifting: false })) ?? endsOf(figure)).map(({ level, isLifting }) =>
    svgOf(figure, level, isLifting, { isSmall }, mirrored),
  );

const parts: string[] = [];
process.stdin.setEncoding('utf8');
process.stdin.on('data', (part: string) => {
  parts.push(part);
});
process.stdin.on('end', () => {
  const asked = JSON.parse(parts.join('')) as Asked[];
  process.stdout.write(JSON.stringify(asked.map(drawn)));
});
