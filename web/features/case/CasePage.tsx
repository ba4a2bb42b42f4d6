import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Snackbar from '@mui/material/Snackbar';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useParams, useSearchParams } from 'react-router';

import { UprightLadder } from '../../charts/Ladder';
import { ago, day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { AcceptDialog } from './AcceptDialog';
import { ChangeDialog } from './ChangeDialog';
import { DoseTable } from './DoseTable';
import { IntakeNotes } from './IntakeNotes';
import { LintPanel } from './LintPanel';
import { PegList } from './PegList';
import { ReasonDialog, type Asked } from './ReasonDialog';
import { RecordList } from './RecordList';
import { Story } from './Story';
import { TestPanel } from './TestPanel';
import { type Case, useCase } from './useCase';

export function CasePage() {
  const id = useParams().id ?? '';
  const found = useCase(id);
  if (found.isPending) return <Loading what="the case" />;
  if (found.data === undefined) return <Failed problem={found.error} again={() => void found.refetch()} />;
  return <CaseView found={found.data} />;
}

function CaseView({ found }: { found: Case }) {
  const [search, setSearch] = useSearchParams();
  const [accepting, setAccepting] = useState(false);
  const [asked, setAsked] = useState<Asked | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const { standing } = found;
  const current = standing.ladder.find((rung) => rung.state === 'current');
  const openStops = found.stops.filter((stop) => !stop.cleared);
  const changing = search.get('change') === '1';
  const setChanging = (on: boolean) => setSearch(on ? { change: '1' } : {}, { replace: true });
  const waitsForSignOff = current?.pegs.some((peg) => peg.type === 'sign_off' && peg.state !== 'met') ?? false;

  return (
    <Box component="main" sx={{ px: 2, pb: 3 }}>
      <Box sx={{ py: 1.25, display: 'flex', alignItems: 'baseline', gap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1">{found.athlete.name}</Typography>
        <Typography color="textSecondary">
          {[found.athlete.act, `${found.structure}, ${found.side === 'both' ? 'both sides' : found.side}`, found.programme, `opened ${day(found.opened_on)}`, `with ${found.practitioner}`].filter(Boolean).join(' · ')}
        </Typography>
      </Box>
      {found.closed_on !== null && <Alert severity="info" sx={{ mb: 1.5 }}>This case was closed {ago(found.closed_on, standing.today)}.</Alert>}
      {openStops.map((stop) => (
        <Alert
          key={stop.id}
          severity="error"
          icon={false}
          sx={{ mb: 1.5, bgcolor: 'stop.main', color: 'background.paper', alignItems: 'center' }}
          action={<Button variant="outlined" color="inherit" onClick={() => setAsked({ kind: 'clear_stop', clears: stop.id, words: stop.words })}>Clear after review</Button>}
        >
          Stop, reported {ago(stop.at, standing.today)}: {stop.words}. No loading until you have reviewed it; refer if it is outside your scope.
        </Alert>
      ))}
      <IntakeNotes found={found} />
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', md: '230px minmax(0, 1fr) 350px' }, alignItems: 'start' }}>
        <Paper variant="outlined" sx={{ p: 1.5 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>Ladder</Typography>
          <UprightLadder rungs={standing.ladder} width={200} />
          <Typography variant="body2" color="textSecondary">In {standing.stage.title} since {day(found.stage_from)}</Typography>
        </Paper>
        <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
          <Story found={found} />
          <DoseTable found={found} />
        </Box>
        <Box sx={{ display: 'grid', gap: 1.5, order: { xs: -1, md: 0 } }}>
          <Paper variant="outlined" component="section" aria-label="Proposal" sx={{ p: 1.5, borderColor: 'primary.main', borderWidth: 2 }}>
            <Typography variant="body2" color="textSecondary">Proposal, for you to decide</Typography>
            <Typography variant="h2" sx={{ my: 0.5 }}>{standing.headline}</Typography>
            <Typography variant="body2">{standing.because}</Typography>
            {standing.group_reasons.map((reason) => <Typography key={reason} variant="body2" sx={{ color: 'watch.main' }}>{reason}</Typography>)}
            <Numbers found={found} />
            {found.closed_on === null && (
              <Box sx={{ display: 'flex', gap: 1, mt: 1.5, flexWrap: 'wrap' }}>
                {standing.acceptable && <Button variant="contained" onClick={() => setAccepting(true)}>Accept …</Button>}
                <Button variant={standing.acceptable ? 'outlined' : 'contained'} onClick={() => setChanging(true)}>Change …</Button>
                <Button onClick={() => setAsked({ kind: 'keep' })}>Keep</Button>
                <Button onClick={() => setAsked({ kind: 'stage' })}>Other stage …</Button>
              </Box>
            )}
          </Paper>
          <Paper variant="outlined" component="section" aria-label="Gate" sx={{ p: 1.5 }}>
            <Typography variant="h2">Gate out of {standing.stage.title}</Typography>
            <PegList pegs={current?.pegs ?? []} />
            {waitsForSignOff && <Button variant="outlined" onClick={() => setAsked({ kind: 'sign_off' })} sx={{ mt: 0.5 }}>Sign off technique</Button>}
          </Paper>
          <LintPanel found={found} />
          <TestPanel found={found} />
          <RecordList found={found} />
        </Box>
      </Box>
      {accepting && <AcceptDialog id={found.id} close={() => setAccepting(false)} decided={setDone} />}
      {changing && <ChangeDialog found={found} close={() => setChanging(false)} decided={setDone} />}
      {asked !== null && <ReasonDialog found={found} asked={asked} close={() => setAsked(null)} decided={setDone} />}
      <Snackbar open={done !== null} autoHideDuration={6000} onClose={() => setDone(null)} message={done} />
    </Box>
  );
}

/** The numbers behind the proposal, each with its unit. */
function Numbers({ found }: { found: Case }) {
  const { creep, adherence, week, rule } = found;
  const drift = creep.this_week === null ? 'no morning answers' : `${creep.this_week}${creep.last_week === null ? '' : `, the week before ${creep.last_week}`}`;
  const lines: [string, string][] = [
    ['Mean morning test, 7 days', drift + (creep.state === 'creeping' ? ' (creeping)' : '')],
    ['Done of planned, 14 days', adherence.percent === null ? 'nothing planned' : `${adherence.percent} % (${adherence.done} of ${adherence.due})`],
    ['Held this week', `${week.this.isometric_s} s${change(week.change_percent.isometric_s)}`],
    ['Lifted this week', `${week.this.volume_load_kg} kg${change(week.change_percent.volume_load_kg)}`],
    ['Landings this week', `${week.this.contacts}${change(week.change_percent.contacts)}`],
    ['School', `${rule.name?.replaceAll('_', ' ') ?? 'own rule'}: pain to ${rule.during_max}, morning to ${rule.next_day_max}, stop at ${rule.stop_at}`],
  ];
  return (
    <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', columnGap: 1.5, rowGap: 0.25, my: 1, fontSize: 13 }}>
      {lines.map(([what, value]) => (
        <Box key={what} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: 'text.secondary' }}>{what}</Box>
          <Box component="dd" sx={{ m: 0 }}>{value}</Box>
        </Box>
      ))}
    </Box>
  );
}

const change = (percent: number | null | undefined): string =>
  percent === null || percent === undefined ? '' : ` (${percent > 0 ? '+' : ''}${percent} % on last week)`;
