import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { KeyboardEvent } from 'react';

import { Refusal } from '../../api/client';
import { faultOf, isEmpty, type SideField, type TypedTry } from './tries';
import type { Measure, Preview } from './useMeasures';

const BOX = { '& input': { fontSize: '1.25rem', py: 0.75, textAlign: 'right' }, width: 80 } as const;

/** Faults inside the tries of a side, by their number. */
export function deep(error: unknown, side: SideField): Record<number, string> {
  if (!(error instanceof Refusal)) return {};
  return Object.fromEntries(
    Object.entries(error.fields).flatMap(([field, message]) => {
      const found = new RegExp(`^${side}\\.(\\d+)\\.`).exec(field);
      return found === null ? [] : [[Number(found[1]), message]];
    }),
  );
}

export function SideRow({
  measure,
  title,
  tries,
  first,
  which,
  preview,
  fault,
  deepFaults,
  onChange,
  onMore,
  onEnter,
}: {
  measure: Measure;
  title: string;
  tries: readonly TypedTry[];
  first: boolean;
  which: SideField;
  preview: Preview['affected'];
  fault: string | undefined;
  deepFaults: Record<number, string>;
  onChange: (at: number, part: Partial<TypedTry>) => void;
  onMore: () => void;
  onEnter: (event: KeyboardEvent, at: number) => void;
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
              onKeyDown={(event) => onEnter(event, i)}
            >
              <TryBox
                measure={measure}
                one={attempt}
                name={name}
                wrong={wrong}
                onChange={(part) => onChange(i, part)}
              />
              {!isEmpty(attempt) && measure.tries > 1 && (
                <Button
                  title={attempt.struck ? 'Count it again' : 'A failed try: it stays on record but does not count'}
                  aria-label={`${attempt.struck ? 'Count again' : 'Strike out'}: ${name}`}
                  onClick={() => onChange(i, { struck: !attempt.struck })}
                  sx={{ minWidth: 32, px: 0.5 }}
                >
                  {attempt.struck ? '↺' : '×'}
                </Button>
              )}
            </Box>
          );
        })}
        {preview?.verdict === 'once_more' && tries.every((attempt) => !isEmpty(attempt)) && (
          <Button variant="outlined" onClick={onMore}>
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
  onChange,
}: {
  measure: Measure;
  one: TypedTry;
  name: string;
  wrong: string | undefined;
  onChange: (part: Partial<TypedTry>) => void;
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
        onChange={(event) => onChange({ value: event.target.value })}
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
        onChange={(event) => onChange({ load: event.target.value })}
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
        onChange={(event) => onChange({ reps: event.target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${name}, repetitions` } }}
        sx={{ ...BOX, width: 76 }}
      />
      <TextField
        {...common}
        label="In reserve"
        value={one.rir}
        onChange={(event) => onChange({ rir: event.target.value })}
        slotProps={{ htmlInput: { inputMode: 'numeric', 'aria-label': `${name}, in reserve` } }}
        sx={{ ...BOX, width: 92, ml: 0.5 }}
      />
    </>
  );
}
