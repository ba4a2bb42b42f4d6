import Alert from '@mui/material/Alert';
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
import {
  afterEnter,
  begin,
  bodyOf,
  faultOf,
  fromGauge,
  isEmpty,
  type SideField,
  sidesOf,
  type Typed,
  typed,
  type TypedTry,
  withRoom,
} from './tries';
import { type Measure, type Preview, SIDES, useKeepMeasurement, useMeasurePreview } from './useMeasures';

const GaugeDialog = lazy(() => import('./GaugeDialog'));

const PAUSE = 250;
const BOX = { '& input': { fontSize: '1.25rem', py: 0.75, textAlign: 'right' }, width: 80 } as const;

/** One measure by keyboard: a box a try, Enter goes on, and from the last one keeps it. */
export function TakeMeasure({
  id,
  measure,
  side,
  today,
  on,
  kept,
}: {
  id: string;
  measure: Measure;
  side: Schemas['Side'];
  today: string;
  on: string;
  kept: () => void;
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
      if (nothing) kept();
      return;
    }
    setMissing(false);
    keep.mutate(
      { measurement: measurement.current, body },
      {
        onSuccess: () => {
          measurement.current = crypto.randomUUID();
          setNow(begin(measure));
          kept();
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
            change={(at, part) => change(typed(now, which, at, part))}
            more={() => setNow(withRoom(now, which))}
            enter={(event, at) => enter(event, which, at)}
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
            close={() => setGauge(false)}
            use={(curves) => {
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

/** Faults inside the tries of a side, by their number. */
function deep(error: unknown, side: SideField): Record<number, string> {
  if (!(error instanceof Refusal)) return {};
  return Object.fromEntries(
    Object.entries(error.fields).flatMap(([field, message]) => {
      const found = new RegExp(`^${side}\\.(\\d+)\\.`).exec(field);
      return found === null ? [] : [[Number(found[1]), message]];
    }),
  );
}

function SideRow({
  measure,
  title,
  tries,
  first,
  which,
  preview,
  fault,
  deepFaults,
  change,
  more,
  enter,
}: {
  measure: Measure;
  title: string;
  tries: readonly TypedTry[];
  first: boolean;
  which: SideField;
  preview: Preview['affected'];
  fault: string | undefined;
  deepFaults: Record<number, string>;
  change: (at: number, part: Partial<TypedTry>) => void;
  more: () => void;
  enter: (event: KeyboardEvent, at: number) => void;
}) {
  // Empty boxes are not sent, so a fault is counted among those that were.
  const sent = tries.map((attempt, i) =>
    isEmpty(attempt) ? -1 : tries.slice(0, i).filter((before) => !isEmpty(before)).length,
  );
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap' }}>
        <Typography
          variant="subtitle1"
          sx={{ width: measure.tries > 1 ? '100%' : 96, pt: measure.tries > 1 ? 0 : 0.75 }}
        >
          {title}
        </Typography>
        {tries.map((attempt, i) => {
          const wrong = faultOf(measure, attempt) ?? deepFaults[sent[i] ?? -1];
          const name = `${title}${measure.tries > 1 ? `, try ${i + 1}` : ''}`;
          return (
            <Box
              key={i}
              data-try={`${which}-${i}`}
              {...(first && i === 0 ? { 'data-first': '' } : {})}
              sx={{
                display: 'flex',
                alignItems: 'center',
                opacity: attempt.struck ? 0.55 : 1,
                textDecoration: attempt.struck ? 'line-through' : undefined,
              }}
              onKeyDown={(event) => enter(event, i)}
            >
              <TryBox measure={measure} one={attempt} name={name} wrong={wrong} change={(part) => change(i, part)} />
              {!isEmpty(attempt) && measure.tries > 1 && (
                <Button
                  title={attempt.struck ? 'Count it again' : 'A failed try: it stays on record but does not count'}
                  aria-label={`${attempt.struck ? 'Count again' : 'Strike out'}: ${name}`}
                  onClick={() => change(i, { struck: !attempt.struck })}
                  sx={{ minWidth: 32, px: 0.5 }}
                >
                  {attempt.struck ? '↺' : '×'}
                </Button>
              )}
            </Box>
          );
        })}
        {preview?.verdict === 'once_more' && tries.every((attempt) => !isEmpty(attempt)) && (
          <Button variant="outlined" onClick={more}>
            Once more
          </Button>
        )}
      </Box>
      {preview !== null && measure.tries > 1 && (
        <Typography
          variant="body2"
          sx={{
            color: preview.verdict === 'once_more' || preview.verdict === 'unsteady' ? 'watch.main' : 'text.secondary',
          }}
        >
          {preview.verdict === 'once_more' ? '▲ ' : ''}Best {preview.best} {measure.unit}. {preview.words}
        </Typography>
      )}
      {fault !== undefined && (
        <Typography variant="body2" color="error">
          {fault}
        </Typography>
      )}
    </Box>
  );
}

function TryBox({
  measure,
  one,
  name,
  wrong,
  change,
}: {
  measure: Measure;
  one: TypedTry;
  name: string;
  wrong: string | undefined;
  change: (part: Partial<TypedTry>) => void;
}) {
  const common = { error: wrong !== undefined, sx: BOX };
  if (one.curve !== null)
    return (
      <TextField
        {...common}
        label="Gauge"
        value={one.curve.peak}
        slotProps={{ htmlInput: { readOnly: true, 'aria-label': `${name}, from the gauge` } }}
      />
    );
  if (measure.kind !== 'repetition_maximum')
    return (
      <TextField
        {...common}
        value={one.value}
        onChange={(event) => change({ value: event.target.value })}
        helperText={wrong}
        slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': name } }}
      />
    );
  return (
    <>
      <TextField
        {...common}
        label="Load, kg"
        value={one.load}
        onChange={(event) => change({ load: event.target.value })}
        helperText={wrong}
        slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${name}, load in kg` } }}
      />
      <Typography aria-hidden="true" sx={{ px: 0.5 }}>
        ×
      </Typography>
      <TextField
        {...common}
        label="Reps"
        value={one.reps}
        onChange={(event) => change({ reps: event.target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${name}, repetitions` } }}
        sx={{ ...BOX, width: 76 }}
      />
      <TextField
        {...common}
        label="In reserve"
        value={one.rir}
        onChange={(event) => change({ rir: event.target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${name}, in reserve` } }}
        sx={{ ...BOX, width: 92, ml: 0.5 }}
      />
    </>
  );
}

/** What the tries say together, and what would follow from them. */
function Said({ preview, bothSides }: { preview: Preview; bothSides: boolean }) {
  const parts = [
    ...(preview.symmetry_percent === null
      ? []
      : [`${bothSides ? 'Weaker against stronger side' : 'Sore against other side'}: ${preview.symmetry_percent} %`]),
    ...(preview.moment_nm === null ? [] : [`Moment ${preview.moment_nm} Nm`]),
  ];
  return (
    <>
      {parts.length > 0 && (
        <Typography variant="body2" sx={{ mt: 0.5 }}>
          <b>{parts.join(' · ')}</b>
        </Typography>
      )}
      {preview.loads.length > 0 && (
        <Box component="details" sx={{ fontSize: '0.875rem', mt: 0.5 }}>
          <summary>Maximum {preview.affected?.best} kg on the sore side: what could be lifted how often</summary>
          <Box
            component="table"
            aria-label="Loads by repetitions"
            sx={{ '& td, & th': { px: 1, textAlign: 'right' }, borderCollapse: 'collapse' }}
          >
            <tbody>
              {[preview.loads.slice(0, 10), preview.loads.slice(10)].map((half, i) => (
                <tr key={i}>
                  {half.map((row) => (
                    <td key={row.reps}>
                      <Box component="span" sx={{ color: 'text.secondary' }}>
                        {row.reps} RM
                      </Box>
                      <br />
                      {row.load_kg} kg
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      )}
      {preview.follows.length > 0 && (
        <Alert severity="info" icon={false} sx={{ mt: 0.5, py: 0 }}>
          By this: {preview.follows.map((follow) => `${follow.title}: ${follow.words}`).join('; ')}. Nothing changes by
          itself; prescribe it if it is to count.
        </Alert>
      )}
    </>
  );
}
