import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import { ExerciseTrace } from '../../charts/ExerciseTrace';
import { ExerciseFigure } from '../../figure/ExerciseFigure';
import { day } from '../../shell/dates';
import { LIMBS, sums } from '../../shell/doses';
import { DoseEditor } from './DoseEditor';
import { isDrawable, type Prescription, type Preview, type Row } from './draft';

interface Props {
  row: Row;
  slots: Schemas['PlanStage']['slots'];
  preview: Preview['prescriptions'][number] | undefined;
  fresh: boolean;
  /** Whether the rest is being ended. */
  wakes: boolean;
  faults: Readonly<Record<string, string>>;
  open: boolean;
  seconds: number;
  width: number;
  first: boolean;
  last: boolean;
  onToggle: () => void;
  onChange: (prescription: Prescription) => void;
  onMove: (by: 1 | -1) => void;
  onSwap: () => void;
  onRemove: () => void;
}

/** One exercise on the shared time scale, with all that can be set of it when it is open. */
export function ExerciseRow({
  row,
  slots,
  preview,
  fresh,
  wakes,
  faults,
  open,
  seconds,
  width,
  first,
  last,
  onToggle,
  onChange,
  onMove,
  onSwap,
  onRemove,
}: Props) {
  const { prescription } = row;
  const faulty = Object.keys(faults).length > 0;
  const changed = preview?.changed ?? null;
  return (
    <Paper
      variant="outlined"
      component="article"
      aria-label={row.title}
      sx={{ px: 1.25, py: 0.75, borderColor: faulty ? 'error.main' : open ? 'primary.main' : 'divider' }}
    >
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: `minmax(0, 1fr) ${width}px` },
          columnGap: 1.5,
          alignItems: 'center',
        }}
      >
        <Box sx={{ minWidth: 0 }}>
          <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.25 }}>
            <Typography component="h3" variant="subtitle1" sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>
              {row.title}{' '}
              <Typography component="span" variant="body2" color="textSecondary">
                {LIMBS[prescription.limbs]}
              </Typography>
            </Typography>
            <IconButton size="small" aria-label={`Move ${row.title} up`} disabled={first} onClick={() => onMove(-1)}>
              ↑
            </IconButton>
            <IconButton size="small" aria-label={`Move ${row.title} down`} disabled={last} onClick={() => onMove(1)}>
              ↓
            </IconButton>
          </Box>
          {row.rests_until !== null && (
            <Typography variant="body2" color="watch" sx={wakes ? { textDecoration: 'line-through' } : {}}>
              Rests until {day(row.rests_until)}
            </Typography>
          )}
          <Box sx={{ opacity: fresh ? 1 : 0.45 }} aria-busy={!fresh}>
            <Typography variant="body2">
              {preview === undefined ? '…' : [preview.words, preview.tempo_words].filter(Boolean).join(' · ')}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {preview === undefined ? ' ' : sums(preview.figures, preview.turns)}
            </Typography>
          </Box>
        </Box>
        <Box>
          {isDrawable(prescription.dose) ? (
            <ExerciseTrace
              dose={prescription.dose}
              mode={prescription.mode}
              seconds={seconds}
              width={width}
              title={`${row.title} along time: ${preview?.words ?? ''}`}
              changed={changed !== null}
            />
          ) : (
            <Typography variant="body2" color="error">
              Correct the marked field to see it drawn.
            </Typography>
          )}
          <Box sx={{ display: 'flex', gap: 0.5, mt: 0.25 }}>
            <Button
              onClick={onToggle}
              aria-expanded={open}
              aria-label={`${open ? 'Close' : 'Edit'} ${row.title}`}
              variant="outlined"
              sx={{ py: 0, minWidth: 56 }}
            >
              {open ? 'Close' : 'Edit'}
            </Button>
            <Button onClick={onSwap} aria-label={`Another rung for ${row.title}`} sx={{ py: 0 }}>
              Another rung …
            </Button>
            <Button onClick={onRemove} aria-label={`Leave out ${row.title}`} color="inherit" sx={{ py: 0 }}>
              Leave out
            </Button>
          </Box>
        </Box>
      </Box>
      {changed !== null && (
        <Typography variant="body2" color="watch" sx={{ opacity: fresh ? 1 : 0.45 }}>
          Changed: {changed}
        </Typography>
      )}
      {faulty && !open && (
        <Typography variant="body2" color="error">
          {Object.values(faults)[0]}
        </Typography>
      )}
      {open && faults.exercise !== undefined && (
        <Typography variant="body2" color="error">
          {faults.exercise}
        </Typography>
      )}
      {open && (
        <Box
          sx={{ display: 'flex', gap: 1.5, flexWrap: { xs: 'wrap', md: 'nowrap' }, alignItems: 'flex-start', mt: 1 }}
        >
          <ExerciseFigure
            exercise={prescription.exercise}
            title={row.title}
            size={200}
            range={prescription.dose.range}
          />
          <Box sx={{ flex: 1, minWidth: 0 }}>
            <DoseEditor
              prescription={prescription}
              slots={slots}
              faults={faults}
              suggestions={preview?.suggestions ?? []}
              onChange={onChange}
            />
          </Box>
        </Box>
      )}
    </Paper>
  );
}
