import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

import { ExerciseTrace, traceSeconds } from '../../charts/ExerciseTrace';
import { day } from '../../shell/dates';
import type { Case } from './useCase';

const limbs = { affected: 'sore side', each: 'each side', together: 'both together' } as const;

/** What is in force: each exercise with one set drawn along time, and the week ahead. */
export function DoseTable({ found }: { found: Case }) {
  const seconds = Math.max(30, ...found.prescriptions.map((one) => traceSeconds(one.dose, one.mode)));
  return (
    <Paper variant="outlined" component="section" aria-label="In force" sx={{ p: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>In force</Typography>
      {found.prescriptions.length === 0 && <Typography color="textSecondary">Nothing but the act itself in this stage.</Typography>}
      {found.prescriptions.map((one) => (
        <Box key={one.key} sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 240px', gap: 1.5, py: 0.75, borderTop: 1, borderColor: 'divider', alignItems: 'center' }}>
          <Box>
            <Typography sx={{ fontWeight: 600 }}>{one.title} <Typography component="span" color="textSecondary">{limbs[one.limbs]}</Typography></Typography>
            <Typography variant="body2">{one.words}{one.tempo_words === null ? '' : ` · ${one.tempo_words}`} · rest {one.dose.rest_s} s</Typography>
            <Typography variant="body2" color="textSecondary">{sums(one.figures)}</Typography>
          </Box>
          <ExerciseTrace dose={one.dose} mode={one.mode} seconds={seconds} width={240} title={`${one.title} along time: ${one.words}`} />
        </Box>
      ))}
      <Typography variant="h3" sx={{ mt: 1.5, mb: 0.5 }}>The week ahead</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>
        {found.coming.map((one) => (
          <Box key={one.on + one.slot} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, px: 1, py: 0.5, minWidth: 92 }}>
            <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>{day(one.on)}</Typography>
            <Typography variant="body2">{one.slot}</Typography>
          </Box>
        ))}
        {found.coming.length === 0 && <Typography color="textSecondary">No session is planned for the next seven days.</Typography>}
      </Box>
    </Paper>
  );
}

function sums(figures: Case['prescriptions'][number]['figures']): string {
  const parts = [
    figures.time_under_tension_s === null ? null : `${figures.time_under_tension_s} s under tension a limb`,
    figures.volume_load_kg === null || figures.volume_load_kg === 0 ? null : `${figures.volume_load_kg} kg lifted a limb`,
    figures.contacts === null ? null : `${figures.contacts} landings`,
    `${Math.round(figures.duration_s / 60)} min`,
  ];
  return parts.filter((part) => part !== null).join(' · ');
}
