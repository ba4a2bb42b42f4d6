import List from '@mui/material/List';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';

import { Refusal, type Schemas } from '../../api/client';
import type { Frame, Gauge } from '../../gauge/gauge';
import { LiveCurve } from '../../gauge/LiveCurve';
import { SerialGauge, serialPorts } from '../../gauge/serial';
import { SimulatedGauge } from '../../gauge/simulated';
import { numberOf } from '../../shell/numbers';
import { CurveTrace } from './CurveTrace';
import type { SideField } from './tries';
import { type Figures, type Measure, SIDES, useKeepCurve, useMeasurePreview } from './useMeasures';

/** Seconds after which a try ends by itself. */
const LONGEST = 6;

interface KeptCurve {
  id: string;
  side: SideField;
  frames: readonly Frame[];
  figures: Figures;
}

/** Tries at a gauge: the force as it is pulled, then what the core reads from it, both sides beside each other. */
export default function GaugeDialog({
  id,
  measure,
  side,
  on,
  onClose,
  onUse,
}: {
  id: string;
  measure: Measure;
  side: Schemas['Side'];
  on: string;
  onClose: () => void;
  onUse: (curves: { id: string; side: SideField; peak: number }[]) => void;
}) {
  const titles = measure.each_side ? SIDES[side] : ['Both together', ''];
  const sides: SideField[] = measure.each_side ? ['unaffected', 'affected'] : ['affected'];
  const titleOf = (sideField: SideField) => titles[sideField === 'affected' ? 0 : 1] ?? '';
  const [which, setWhich] = useState<SideField>(sides[0] ?? 'affected');
  const [device, setDevice] = useState<'simulated' | 'serial'>('simulated');
  const [serial] = useState(() => {
    const ports = serialPorts();
    return ports === null ? null : new SerialGauge(ports);
  });
  const gauge = useRef<Gauge | null>(null);
  const [pull, setPull] = useState('300');
  const frames = useRef<Frame[]>([]);
  const [running, setRunning] = useState(false);
  const [restUntil, setRestUntil] = useState<number | null>(null);
  const [curves, setCurves] = useState<KeptCurve[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const keep = useKeepCurve(id);
  const ofSide = (sideField: SideField) => curves.filter((curve) => curve.side === sideField);
  const body =
    curves.length === 0
      ? null
      : {
          measure: measure.key,
          on,
          affected: ofSide('affected').map((keptCurve) => ({ curve: keptCurve.id })),
          ...(measure.each_side
            ? { unaffected: ofSide('unaffected').map((keptCurve) => ({ curve: keptCurve.id })) }
            : {}),
        };
  const preview = useMeasurePreview(id, body).data ?? null;

  useEffect(
    () => () => {
      void gauge.current?.close();
      void serial?.close();
    },
    [serial],
  );

  const start = async () => {
    setProblem(null);
    const used =
      device === 'serial' && serial !== null
        ? serial
        : new SimulatedGauge({ peak: numberOf(pull) ?? 300, after: 0.8, lasts: 3.2 }, curves.length + 1);
    gauge.current = used;
    try {
      await used.open();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : 'The gauge could not be opened.');
      return;
    }
    frames.current = [];
    setRestUntil(null);
    setRunning(true);
    used.start((more) => {
      frames.current.push(...more);
      if ((frames.current.at(-1)?.ms ?? 0) >= 1000 * LONGEST) finish();
    });
  };
  const finish = () => {
    gauge.current?.stop();
    setRunning(false);
    const taken = frames.current;
    const [curve, pulled] = [crypto.randomUUID(), which];
    keep.mutate(
      {
        curve,
        measure: measure.key,
        side: measure.each_side ? pulled : 'both',
        unit: gauge.current?.unit ?? 'N',
        ms: taken.map((reading) => reading.ms),
        force: taken.map((reading) => reading.force),
      },
      {
        onSuccess: (answer) => {
          setCurves((all) => [...all, { id: curve, side: pulled, frames: taken, figures: answer.figures }]);
          setRestUntil(Date.now() + 1000 * measure.rest_s);
          if (measure.each_side) setWhich(pulled === 'affected' ? 'unaffected' : 'affected');
        },
        onError: (error) =>
          setProblem(
            error instanceof Refusal
              ? (Object.values(error.fields)[0] ?? error.message)
              : 'This try could not be kept. Take it again.',
          ),
      },
    );
  };
  return (
    <Dialog open onClose={running ? undefined : onClose} maxWidth="md" fullWidth aria-labelledby="gauge-title">
      <DialogTitle id="gauge-title" sx={{ pb: 0.5 }}>
        {measure.title}: gauge
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.25 }}>
        <Typography variant="body2" color="textSecondary">
          {measure.instruction} Say before each try: as hard as you can without pain over what is allowed; let go if it
          hurts more.
        </Typography>
        <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
          {sides.length > 1 && (
            <ToggleButtonGroup
              exclusive
              value={which}
              onChange={(_, next: SideField | null) => {
                if (next !== null) setWhich(next);
              }}
              aria-label="Side"
              disabled={running}
            >
              {sides.map((sideField) => (
                <ToggleButton key={sideField} value={sideField} sx={{ px: 2 }}>
                  {titleOf(sideField)}
                </ToggleButton>
              ))}
            </ToggleButtonGroup>
          )}
          {running ? (
            <Button variant="contained" size="large" color="error" onClick={finish}>
              Stop
            </Button>
          ) : (
            <Button variant="contained" size="large" autoFocus loading={keep.isPending} onClick={() => void start()}>
              Start try {ofSide(which).length + 1}
            </Button>
          )}
          <RestClock until={restUntil} />
          <Box sx={{ flex: 1 }} />
          {serial !== null && (
            <ToggleButtonGroup
              exclusive
              value={device}
              onChange={(_, next: 'simulated' | 'serial' | null) => {
                if (next !== null) setDevice(next);
              }}
              aria-label="Gauge"
              disabled={running}
            >
              <ToggleButton value="simulated">Simulated</ToggleButton>
              <ToggleButton value="serial">On a cable</ToggleButton>
            </ToggleButtonGroup>
          )}
          {device === 'simulated' && (
            <TextField
              label="Simulated pull, N"
              value={pull}
              onChange={(event) => setPull(event.target.value)}
              slotProps={{ htmlInput: { inputMode: 'numeric' } }}
              sx={{ width: 130 }}
            />
          )}
        </Box>
        <LiveCurve frames={frames} running={running} seconds={LONGEST} unit="N" />
        {problem !== null && <Alert severity="error">{problem}</Alert>}
        <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: `repeat(${sides.length}, minmax(0, 1fr))` }}>
          {sides.map((sideField) => (
            <Box key={sideField} component="section" aria-label={`Tries, ${titleOf(sideField)}`}>
              <Typography variant="h3">
                {titleOf(sideField)}
                {preview?.[sideField] !== null &&
                  preview?.[sideField] !== undefined &&
                  `: best ${preview[sideField].best} N`}
              </Typography>
              {preview?.[sideField] !== null && preview?.[sideField] !== undefined && (
                <Typography
                  variant="body2"
                  sx={{ color: preview[sideField].verdict === 'once_more' ? 'watch.main' : 'text.secondary' }}
                >
                  {preview[sideField].verdict === 'once_more' ? '▲ ' : ''}
                  {preview[sideField].words}
                </Typography>
              )}
              <List component="ol" disablePadding>
                {ofSide(sideField).map((curve, i) => (
                  <Box
                    component="li"
                    key={curve.id}
                    sx={{
                      display: 'flex',
                      gap: 1,
                      alignItems: 'center',
                      borderTop: 1,
                      borderColor: 'divider',
                      py: 0.5,
                    }}
                  >
                    <CurveTrace
                      ms={curve.frames.map((frame) => frame.ms)}
                      newtons={curve.frames.map((frame) => frame.force)}
                      width={96}
                      height={36}
                    />
                    <Typography variant="body2" sx={{ flex: 1 }}>
                      <b>
                        {i + 1}: {curve.figures.peak_n} N
                      </b>
                      {curve.figures.best_second_n !== null && `, best second ${curve.figures.best_second_n} N`}, 90 %
                      after {curve.figures.time_to_90_s} s
                    </Typography>
                    <Button
                      aria-label={`Leave out try ${i + 1}, ${titleOf(sideField)}`}
                      onClick={() => setCurves(curves.filter((kept) => kept.id !== curve.id))}
                    >
                      Leave out
                    </Button>
                  </Box>
                ))}
              </List>
            </Box>
          ))}
        </Box>
        {preview?.symmetry_percent !== null && preview?.symmetry_percent !== undefined && (
          <Typography>
            <b>
              {side === 'both' ? 'Weaker against stronger side' : 'Sore against other side'}: {preview.symmetry_percent}{' '}
              %
            </b>
          </Typography>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} disabled={running}>
          Cancel
        </Button>
        <Button
          variant="contained"
          disabled={running || curves.length === 0}
          onClick={() => onUse(curves.map((curve) => ({ id: curve.id, side: curve.side, peak: curve.figures.peak_n })))}
        >
          Use these tries
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Seconds of rest that are left before the next try. */
function RestClock({ until }: { until: number | null }) {
  const [now, setNow] = useState(0);
  useEffect(() => {
    if (until === null) return undefined;
    const tick = () => setNow(Date.now());
    tick();
    const timer = setInterval(tick, 250);
    return () => clearInterval(timer);
  }, [until]);
  const left = until === null || now === 0 ? 0 : Math.ceil((until - now) / 1000);
  return left > 0 ? (
    <Typography role="timer" sx={{ fontSize: '1.125rem' }}>
      Rest {left} s
    </Typography>
  ) : null;
}
