import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';

import { Drawing, type Pen } from './Drawing';
import type { FigureData } from './figure';
import { endsOf, shownAt } from './motion';
import { type Look, rangeWords } from './paint';

/** What is only shown need not be drawn as often as what is followed: 25 times a second, which spares a battery. */
const BETWEEN_MS = 38;

const STILL = '(prefers-reduced-motion: reduce)';

function followStill(changed: () => void): () => void {
  const query = window.matchMedia(STILL);
  query.addEventListener('change', changed);
  return () => {
    query.removeEventListener('change', changed);
  };
}

/** Whether whoever looks wants nothing to move. */
export const useIsStill = (): boolean => useSyncExternalStore(followStill, () => window.matchMedia(STILL).matches);

interface Props {
  figure: FigureData;
  title: string;
  size: number;
  mirrored?: boolean;
}

/** An exercise going through its movement slowly, over and over, until it is stopped; both ends side by side where movement is unwanted. */
export function MovingFigure({ figure, title, size, mirrored = false }: Props) {
  const isStill = useIsStill();
  /** Seconds of the shown movement at which it was stopped; null while it goes. */
  const [stoppedAt, setStoppedAt] = useState<number | null>(null);
  const isStopped = stoppedAt !== null;
  const pen = useRef<Pen>(null);
  const shown = useRef(0);
  const moves = !isStill && !isStopped;
  useEffect(() => {
    if (!moves) return undefined;
    let frame = 0;
    let last: number | null = null;
    let drawn = -1;
    const step = (now: number) => {
      frame = requestAnimationFrame(step);
      if (last !== null && now - last < BETWEEN_MS) return;
      shown.current += last === null ? 0 : (now - last) / 1000;
      last = now;
      const place = shownAt(figure, shown.current);
      // Where it stands still, nothing is drawn again.
      if (place.level === drawn) return;
      drawn = place.level;
      pen.current?.draw(place);
    };
    frame = requestAnimationFrame(step);
    return () => {
      cancelAnimationFrame(frame);
    };
  }, [moves, figure]);
  if (isStill) return <Ends figure={figure} title={title} size={size} mirrored={mirrored} />;
  return (
    <ButtonBase
      onClick={() => setStoppedAt(isStopped ? null : shown.current)}
      aria-pressed={isStopped}
      aria-label={`${isStopped ? 'Move' : 'Stop'} the figure of ${title}${figure.angle === null ? '' : `, ${rangeWords(figure.angle)}`}`}
      sx={{
        borderRadius: 1,
        border: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        overflow: 'hidden',
        flex: 'none',
      }}
    >
      <Drawing
        figure={figure}
        place={shownAt(figure, stoppedAt ?? 0)}
        label={title}
        size={size}
        mirrored={mirrored}
        pen={pen}
      />
    </ButtonBase>
  );
}

/** Where a movement begins and where it goes, side by side. */
export function Ends({ figure, title, size, mirrored = false, look }: Props & { look?: Look }) {
  const [from, to] = endsOf(figure);
  const more = { size: size / 2, mirrored, ...(look === undefined ? {} : { look }) };
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', flex: 'none' }}>
      <Drawing figure={figure} place={from} label={`${title}: where it begins`} {...more} />
      <Box component="span" aria-hidden sx={{ color: 'text.secondary' }}>
        →
      </Box>
      <Drawing figure={figure} place={to} label={`${title}: where it goes`} {...more} />
    </Box>
  );
}

/** A small picture of an exercise, at the end that shows it best. */
export function Thumbnail({ figure, title, size = 96, mirrored = false }: Omit<Props, 'size'> & { size?: number }) {
  return (
    <Drawing
      figure={figure}
      place={{ level: figure.still, isLifting: false }}
      label={title}
      size={size}
      mirrored={mirrored}
      look={{ isSmall: true }}
    />
  );
}
