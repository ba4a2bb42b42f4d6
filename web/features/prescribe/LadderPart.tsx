import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import FormHelperText from '@mui/material/FormHelperText';
import Typography from '@mui/material/Typography';

import { useLibrary } from '../library/useLibrary';
import type { Prescription } from './draft';

/** The rungs that this athlete may be led to, easier first; what is asked now is always among them. */
export function LadderPart({
  prescription,
  fault,
  onChange,
}: {
  prescription: Prescription;
  fault: string | undefined;
  onChange: (prescription: Prescription) => void;
}) {
  const library = useLibrary().data;
  const ladder = library?.ladders.find((other) => other.rungs.some((rung) => rung.exercise === prescription.exercise));
  if (library === undefined || ladder === undefined) return null;
  const rungs = ladder.rungs.map((rung) => rung.exercise);
  const allowed = prescription.ladder ?? [prescription.exercise];
  const titleOf = (key: string) => library.exercises.find((exercise) => exercise.key === key)?.title ?? key;
  const toggle = (key: string) =>
    onChange({
      ...prescription,
      ladder: rungs.filter(
        (rung) => rung === prescription.exercise || (rung === key ? !allowed.includes(rung) : allowed.includes(rung)),
      ),
    });
  return (
    <Box role="group" aria-label="Rungs that it may lead to">
      <Typography variant="body2" color="textSecondary" sx={{ mb: 0.5 }}>
        Rungs that it may lead to, easier first:
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
        {rungs.map((key) => (
          <Chip
            key={key}
            size="small"
            component="button"
            type="button"
            clickable={key !== prescription.exercise}
            aria-disabled={key === prescription.exercise}
            label={key === prescription.exercise ? `${titleOf(key)}, now` : titleOf(key)}
            aria-pressed={allowed.includes(key)}
            color={allowed.includes(key) ? 'primary' : 'default'}
            variant={allowed.includes(key) ? 'filled' : 'outlined'}
            {...(key === prescription.exercise ? {} : { onClick: () => toggle(key) })}
          />
        ))}
      </Box>
      {fault !== undefined && <FormHelperText error>{fault}</FormHelperText>}
    </Box>
  );
}
