import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { useMay } from '../../shell/useSignedIn';
import { Grounds } from './Grounds';
import type { Case } from './useCase';

/** The proposal: its kind and reason, old and new dose of each exercise, every number it rests on. It waits for a practitioner. */
export function ProposalCard({
  found,
  onAccept,
  onKeep,
  onClear,
}: {
  found: Case;
  onAccept: () => void;
  onKeep: () => void;
  onClear: (stop: Case['stops'][number]) => void;
}) {
  const { standing, adherence, week } = found;
  const may = useMay();
  const stop = found.stops.find((other) => !other.cleared);
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label="Proposal"
      sx={{ p: 1.5, borderColor: 'primary.main', borderWidth: 2 }}
    >
      <Typography variant="body2" color="textSecondary">
        {may('decide') ? 'Proposal, for you to decide' : `Proposal, for ${found.practitioner} to decide`}
      </Typography>
      <Typography variant="h2" sx={{ my: 0.25 }}>
        {standing.headline}
      </Typography>
      <Typography variant="body2">{standing.because}</Typography>
      {standing.group_reasons.map((reason) => (
        <Typography key={reason} variant="body2" color="watch">
          {reason[0]?.toUpperCase()}
          {reason.slice(1)}.
        </Typography>
      ))}
      {found.closed_on === null && may('decide') && (
        <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
          {stop !== undefined && (
            <Button
              variant="contained"
              onClick={() => onClear(stop)}
              sx={{ bgcolor: 'stop.main', color: 'background.paper' }}
            >
              Review the stop …
            </Button>
          )}
          {standing.acceptable && (
            <Button variant="contained" onClick={onAccept}>
              Accept …
            </Button>
          )}
          <Button
            component={RouterLink}
            to={`/cases/${found.id}/prescribe?proposal=1`}
            variant={standing.acceptable || stop !== undefined ? 'outlined' : 'contained'}
          >
            Change …
          </Button>
          {stop === undefined && <Button onClick={onKeep}>Keep as it is …</Button>}
        </Box>
      )}
      {found.proposals.length > 0 && (
        <List disablePadding sx={{ mt: 1 }} aria-label="What it would change">
          {found.proposals.map((proposal) => (
            <Box
              component="li"
              key={proposal.prescription}
              sx={{ fontSize: 13, py: 0.25, opacity: proposal.preferred ? 1 : 0.75 }}
            >
              <Box component="span" sx={{ fontWeight: proposal.preferred ? 600 : 400 }}>
                {proposal.title}
              </Box>
              : {proposal.before} <b aria-label="becomes">→</b> {proposal.after}
              {!proposal.preferred && found.proposals.length > 1 ? ' (not now: one change at a time)' : ''}
            </Box>
          ))}
        </List>
      )}
      <Typography variant="h3" sx={{ mt: 1 }}>
        What it rests on
      </Typography>
      <Grounds grounds={found.grounds} />
      <Typography variant="body2" color="textSecondary">
        {adherence.percent === null
          ? 'Nothing was planned in two weeks'
          : `Done in two weeks: ${adherence.done} of ${adherence.due} planned`}
        {' · '}this week {weekWords(week)}
      </Typography>
      <Typography variant="body2" color="textSecondary">
        Judged by “{found.school.title}”: pain to {found.rule.during_max}, morning to {found.rule.next_day_max}, stop at{' '}
        {found.rule.stop_at} of 10. These are defaults that a practice can change.
      </Typography>
    </Paper>
  );
}

function weekWords(week: Case['week']): string {
  const figures: [number, string, number | null | undefined][] = [
    [week.this.isometric_s, 's held', week.change_percent.isometric_s],
    [week.this.volume_load_kg, 'kg lifted', week.change_percent.volume_load_kg],
    [week.this.contacts, 'landings', week.change_percent.contacts],
    [week.this.sport_min, 'min of sport', week.change_percent.sport_min],
  ];
  const parts = figures
    .filter(([amount]) => amount > 0)
    .map(
      ([amount, unit, change]) =>
        `${amount} ${unit}${change === null || change === undefined ? '' : ` (${change > 0 ? '+' : ''}${change} %)`}`,
    );
  return parts.length === 0 ? 'nothing yet' : parts.join(', ');
}
