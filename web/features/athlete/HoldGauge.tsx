import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';

import type { Frame, Gauge } from '../../gauge/gauge';
import { LiveCurve } from '../../gauge/LiveCurve';
import { SerialGauge, serialPorts } from '../../gauge/serial';
import { SimulatedGauge } from '../../gauge/simulated';
import type { Exercise } from '../../phone/usePhone';

const SHOWN_S = 12;
/** Longer than any hold: the made-up person holds until the gauge is put away. */
const LONG_S = 900;

/** The force as it is held, with the band to stay in. Nothing of it is stored: what counts of a hold is its time. */
export default function HoldGauge({ band, onClose }: { band: NonNullable<Exercise['band']>; onClose: () => void }) {
  const frames = useRef<Frame[]>([]);
  const gauge = useRef<Gauge | null>(null);
  const [running, setRunning] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const ports = serialPorts();
  useEffect(
    () => () => {
      void gauge.current?.close();
    },
    [],
  );
  const start = async (next: Gauge) => {
    setProblem(null);
    gauge.current = next;
    try {
      await next.open();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The gauge could not be opened.');
      return;
    }
    frames.current = [];
    setRunning(true);
    next.start((more) => {
      frames.current.push(...more);
      // What has left the screen is let go, but for the start, where the zero is read.
      if (frames.current.length > 4000) frames.current.splice(100, 2000);
    });
  };
  return (
    <Box component="section" aria-label="Gauge" sx={{ mt: 1 }}>
      <LiveCurve frames={frames} running={running} seconds={SHOWN_S} unit={band.unit} band={band} height={150} />
      {problem !== null && <Alert severity="error">{problem}</Alert>}
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        {!running && ports !== null && (
          <Button variant="outlined" onClick={() => void start(new SerialGauge(ports))} sx={{ flex: 1 }}>
            Gauge on a cable
          </Button>
        )}
        {!running && (
          <Button
            variant="outlined"
            onClick={() => void start(new SimulatedGauge({ peak: band.value, after: 1, lasts: LONG_S }))}
            sx={{ flex: 1 }}
          >
            Simulated gauge
          </Button>
        )}
        <Button onClick={onClose} sx={{ flex: 1 }}>
          Put it away
        </Button>
      </Box>
    </Box>
  );
}
