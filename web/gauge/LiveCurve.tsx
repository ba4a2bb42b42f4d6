import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { type RefObject, useEffect, useRef, useState } from 'react';

import type { Frame } from './gauge';

const HEIGHT = 200;
const REST_MS = 250;

/** Where the gauge stands before anybody pulls: what is drawn is drawn from there. The core reads it again for itself. */
export function zeroOf(frames: readonly Frame[]): number {
  const rest = frames.filter((frame) => frame.ms < REST_MS);
  return rest.length === 0 ? 0 : rest.reduce((sum, frame) => sum + frame.force, 0) / rest.length;
}

export interface Band {
  low: number;
  high: number;
}

/** The force as it comes, drawn with every frame of the screen; where there is a band to stay in, it is shaded. */
export function LiveCurve({
  frames,
  running,
  seconds,
  unit,
  band = null,
  height = HEIGHT,
}: {
  frames: RefObject<Frame[]>;
  running: boolean;
  seconds: number;
  unit: string;
  band?: Band | null;
  height?: number;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [force, setForce] = useState(0);
  useEffect(() => {
    const element = canvas.current;
    const pen = element?.getContext('2d') ?? null;
    if (element === null || pen === null) return undefined;
    const style = getComputedStyle(element);
    const [ink, shade] = [style.color, style.borderColor];
    let next = 0;
    let announcedAt = 0;
    const draw = (at: number) => {
      const ratio = window.devicePixelRatio;
      const width = element.clientWidth;
      if (element.width !== Math.round(width * ratio)) {
        element.width = Math.round(width * ratio);
        element.height = Math.round(height * ratio);
      }
      pen.setTransform(ratio, 0, 0, ratio, 0, 0);
      pen.clearRect(0, 0, width, height);
      const taken = frames.current;
      const zero = zeroOf(taken);
      let highest = band === null ? 100 : band.high * 1.25;
      for (const reading of taken) highest = Math.max(highest, (reading.force - zero) * 1.1);
      const last = taken.at(-1);
      // A long hold moves on under the pen.
      const begin = Math.max(0, (last?.ms ?? 0) - 1000 * seconds);
      const x = (ms: number) => ((ms - begin) / (1000 * seconds)) * width;
      const y = (value: number) => height - 14 - (Math.max(0, value) / highest) * (height - 20);
      if (band !== null) {
        pen.fillStyle = shade;
        pen.globalAlpha = 0.35;
        pen.fillRect(0, y(band.high), width, y(band.low) - y(band.high));
        pen.globalAlpha = 1;
      }
      pen.strokeStyle = shade;
      pen.lineWidth = 1;
      pen.beginPath();
      pen.moveTo(0, y(0));
      pen.lineTo(width, y(0));
      pen.stroke();
      pen.strokeStyle = ink;
      pen.lineWidth = 2.5;
      pen.beginPath();
      taken.forEach((reading, i) => {
        if (i === 0) pen.moveTo(x(reading.ms), y(reading.force - zero));
        else if (reading.ms >= begin) pen.lineTo(x(reading.ms), y(reading.force - zero));
      });
      pen.stroke();
      if (at - announcedAt > 100) {
        announcedAt = at;
        setForce(last === undefined ? 0 : Math.max(0, Math.round(last.force - zero)));
      }
      if (running) next = requestAnimationFrame(draw);
    };
    next = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(next);
  }, [frames, running, seconds, band, height]);
  const inBand = band !== null && force >= band.low && force <= band.high;
  return (
    <Box>
      <Typography variant="subtitle1" sx={{ fontSize: '1.75rem', lineHeight: 1.1, textAlign: 'right' }}>
        {force} {unit}
        {band !== null && running && (
          <Box component="span" sx={{ fontSize: '1rem', ml: 1 }}>
            {inBand ? '✓ in the band' : force < band.low ? '↑ more' : '↓ less'}
          </Box>
        )}
      </Typography>
      <Box
        component="canvas"
        ref={canvas}
        role="img"
        aria-label="Force as it is pulled"
        sx={{ width: '100%', height, display: 'block', color: 'primary.main', borderColor: 'line.main' }}
      />
    </Box>
  );
}
