import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type KeyboardEvent, lazy, Suspense, type SyntheticEvent, useRef, useState } from 'react';

import { faultAt, Refusal, type Schemas } from '../../api/client';
import { day } from '../../shell/dates';
import { useSettled } from '../../shell/useSettled';
import { deep, SideRow } from './SideRow';
import {
  afterEnter,
  begin,
  bodyOf,
  fromGauge,
  isEmpty,
  type SideField,
  sidesOf,
  type Typed,
  typed,
  withRoom,
} from './tries';
import { Said } from './TriesSaid';
import { type Measure, SIDES, useKeepMeasurement, useMeasurePreview } from './useMeasures';

const GaugeDialog = lazy(() => import('./GaugeDialog'));

const PAUSE = 250;

/** One measure by keyboard: a box a try, Enter goes on, and from the last one keeps it. */
export function TakeMeasure({
  id,
  measure,
  side,
  today,
  on,
  onKept,
}: {
  id: string;
  measure: Measure;
  side: Schemas['Side'];
  today: string;
  on: string;
  onKept: () => void;
}) {
  const [now, setNow] = useState<Typed>(() => begin(measure));
  const [more, setMore] = useState(false);
  const [gauge, setGauge] = useState(false);
  const [missing, setMissing] = useState(false);
  const form = useRef<HTMLFormElement>(null);
  const measurement = useRef(crypto.randomUUID());
  const keep = useKeepMeasurement(id);
  const body = bodyOf(measure, now, on);
  const asked = useSettled(body === null ? '' : JSON.stringify({ ...body, confirmed: false }), PAUSE);
  const preview = useMeasurePreview(id, asked === '' ? null : (JSON.parse(asked) as typeof body));
  const judged = body === null ? null : (preview.data ?? null);
  const titles = measure.each_side ? SIDES[side] : ['Both together', ''];
  const isForce = measure.kind === 'force';

  const store = () => {
    if (body === null) {
      const nothing = sidesOf(measure).every((sideField) => now[sideField].every(isEmpty));
      setMissing(!nothing);
      if (nothing) onKept();
      return;
    }
    setMissing(false);
    keep.mutate(
      { measurement: measurement.current, body },
      {
        onSuccess: () => {
          measurement.current = crypto.randomUUID();
          setNow(begin(measure));
          onKept();
        },
      },
    );
  };
  const change = (next: Typed) => {
    keep.reset();
    setNow(next);
  };
  const enter = (event: KeyboardEvent, which: SideField, at: number) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const next = afterEnter(measure, now, which, at);
    if (next === 'keep') store();
    else form.current?.querySelector<HTMLInputElement>(`[data-try="${next.side}-${next.at}"] input`)?.focus();
  };
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    store();
  };
  const last = measure.taken.at(-1);
  return (
    <Box
      component="form"
      noValidate
      onSubmit={submit}
      aria-label={measure.title}
      ref={form}
      sx={{ borderTop: 1, borderColor: 'divider', pt: 1.25 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, flexWrap: 'wrap' }}>
        <Typography sx={{ flex: 1 }}>
          <b>{measure.title}</b>, {isForce ? now.unit : measure.unit}
        </Typography>
        {isForce && on === today && <Button onClick={() => setGauge(true)}>Gauge</Button>}
        {isForce && (
          <Button onClick={() => setMore(!more)} aria-expanded={more}>
            Unit, lever, angle
          </Button>
        )}
      </Box>
      {measure.due !== null && (
        <Typography variant="body2" color="watch">
          Due: {measure.due}.
        </Typography>
      )}
      {measure.instruction !== null && (
        <Typography variant="body2" color="textSecondary">
          {measure.instruction}
        </Typography>
      )}
      {more && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
          <TextField
            select
            label="Unit"
            value={now.unit}
            onChange={(event) => change({ ...now, unit: event.target.value as Typed['unit'] })}
            sx={{ width: 90 }}
          >
            {['N', 'kg', 'lb'].map((unit) => (
              <MenuItem key={unit} value={unit}>
                {unit}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Lever, cm"
            value={now.leverCm}
            onChange={(event) => change({ ...now, leverCm: event.target.value })}
            error={faultAt(keep.error, 'lever_m') !== undefined}
            helperText={faultAt(keep.error, 'lever_m')}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
            sx={{ width: 110 }}
          />
          <TextField
            label="Angle"
            placeholder={measure.joint_angle ?? ''}
            value={now.angle}
            onChange={(event) => change({ ...now, angle: event.target.value })}
            error={faultAt(keep.error, 'joint_angle') !== undefined}
            helperText={faultAt(keep.error, 'joint_angle')}
            slotProps={{ inputLabel: { shrink: true } }}
            sx={{ width: 170 }}
          />
        </Box>
      )}
      <Box sx={{ display: 'grid', gap: 0.75, mt: 1 }}>
        {sidesOf(measure).map((which, row) => (
          <SideRow
            key={which}
            measure={measure}
            title={titles[row] ?? ''}
            tries={now[which]}
            first={row === 0}
            which={which}
            preview={judged?.[which] ?? null}
            fault={faultAt(keep.error, which)}
            deepFaults={deep(keep.error, which)}
            onChange={(at, part) => change(typed(now, which, at, part))}
            onMore={() => setNow(withRoom(now, which))}
            onEnter={(event, at) => enter(event, which, at)}
          />
        ))}
      </Box>
      {judged !== null && <Said preview={judged} bothSides={side === 'both'} />}
      {judged?.questions.map((question) => (
        <FormControlLabel
          key={question}
          sx={{ mt: 0.5 }}
          control={
            <Checkbox
              checked={now.confirmed}
              onChange={(event) => change({ ...now, confirmed: event.target.checked })}
            />
          }
          label={
            <>
              <b>{question}</b> It is right.
            </>
          }
        />
      ))}
      {missing && (
        <Typography color="error" variant="body2">
          Not every box can be read yet.
        </Typography>
      )}
      {keep.error instanceof Refusal &&
        !Object.keys(keep.error.fields).some((field) => /^(un)?affected/.test(field)) && (
          <Typography color="error" variant="body2" role="alert">
            {Object.values(keep.error.fields)[0] ?? keep.error.message}
          </Typography>
        )}
      {keep.error !== null && !(keep.error instanceof Refusal) && (
        <Typography color="error" variant="body2" role="alert">
          This could not be sent. Everything is still here; try again.
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mt: 1 }}>
        <Button type="submit" variant="outlined" loading={keep.isPending}>
          Keep
        </Button>
        <Typography variant="body2" role="status" color="textSecondary">
          {last === undefined
            ? 'Not measured yet.'
            : `${last.on === today ? 'Today' : day(last.on)}: ${last.affected}${last.unaffected === null ? '' : ` and ${last.unaffected}`} ${measure.unit}${last.symmetry_percent === null ? '' : `, symmetry ${last.symmetry_percent} %`}. ${measure.taken.length > 1 ? measure.words : ''}`}
        </Typography>
      </Box>
      {gauge && (
        <Suspense fallback={null}>
          <GaugeDialog
            id={id}
            measure={measure}
            side={side}
            on={on}
            onClose={() => setGauge(false)}
            onUse={(curves) => {
              setNow(
                curves.reduce((all, curve) => fromGauge(all, curve.side, { id: curve.id, peak: curve.peak }), now),
              );
              setGauge(false);
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}
