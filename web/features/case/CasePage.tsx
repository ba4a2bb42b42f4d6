import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useLocation, useNavigate, useParams } from 'react-router';

import { UprightLadder } from '../../charts/Ladder';
import { ago, day } from '../../shell/dates';
import { useKey } from '../../shell/keys';
import { Failed, Loading } from '../../shell/States';
import type { Schemas } from '../../api/client';
import { TablesDialog } from '../../shell/TablesDialog';
import { NudgeDialog } from '../round/NudgeDialog';
import { useMay } from '../../shell/useSignedIn';
import { AcceptDialog } from './AcceptDialog';
import { DoseTable } from './DoseTable';
import { FlareDialog } from './FlareDialog';
import { GatePanel } from './GatePanel';
import { IntakeNotes } from './IntakeNotes';
import { InviteDialog } from './InviteDialog';
import { LintPanel } from './LintPanel';
import { MeasuresPanel } from './MeasuresPanel';
import { MessagesPanel } from './MessagesPanel';
import { OpinionsPanel } from './OpinionsPanel';
import { PracticePanel } from './PracticePanel';
import { ProposalCard } from './ProposalCard';
import { type Asked, ReasonDialog } from './ReasonDialog';
import { SharingDialog } from './SharingDialog';
import { RecordList } from './RecordList';
import { Story } from './Story';
import { type Done, UndoBar } from './UndoBar';
import { type Case, useCase } from './useCase';

export function CasePage() {
  const id = useParams().id ?? '';
  const found = useCase(id);
  if (found.isPending) return <Loading what="the case" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <CaseView key={id} found={found.data} problem={found.error} />;
}

type Open =
  | { dialog: 'accept' | 'flare' | 'nudge' | 'invite' | 'tables' | 'sharing' }
  | { dialog: 'reason'; asked: Asked }
  | null;

function CaseView({ found, problem }: { found: Case; problem: unknown }) {
  const arrived = useLocation().state as { done?: Done } | null;
  const [open, setOpen] = useState<Open>(null);
  const [lit, setLit] = useState<Case['gate']['criteria'][number]['days']>([]);
  const [done, setDone] = useState<Done | null>(arrived?.done ?? null);
  const navigate = useNavigate();
  const may = useMay();
  const decides = may('decide') && found.restricted === null;
  const { standing } = found;
  const closed = found.closed_on !== null;
  const ask = (asked: Asked) => setOpen({ dialog: 'reason', asked });
  const prescribe = `/cases/${found.id}/prescribe`;

  const treats = decides && !closed;
  useKey('a', () => setOpen({ dialog: 'accept' }), treats && standing.acceptable);
  useKey('f', () => setOpen({ dialog: 'flare' }), treats);
  useKey('c', () => void navigate(`${prescribe}?proposal=1`), treats);
  useKey('p', () => void navigate(prescribe), treats);
  useKey('v', () => void navigate(`/cases/${found.id}/visit`), treats);

  return (
    <Box component="main" sx={{ px: 2, pb: 3 }}>
      <Box sx={{ py: 1, display: 'flex', alignItems: 'center', columnGap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
          {found.athlete.name}
        </Typography>
        <Typography color="textSecondary" sx={{ flex: 1, minWidth: 240 }}>
          {[
            found.athlete.act,
            `${found.structure}, ${found.side === 'both' ? 'both sides' : found.side}`,
            found.programme,
            `opened ${day(found.opened_on)}`,
            `with ${found.practitioner}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </Typography>
        {!closed && (
          <Box sx={{ display: 'flex', gap: 1 }}>
            {may('decide') && (
              <>
                <Button component={RouterLink} to={prescribe} variant="outlined">
                  Prescribe
                </Button>
                <Button component={RouterLink} to={`/cases/${found.id}/visit`} variant="outlined">
                  Visit
                </Button>
                <Button variant="outlined" onClick={() => setOpen({ dialog: 'flare' })}>
                  Flare plan …
                </Button>
              </>
            )}
            <Button component={RouterLink} to={`/cases/${found.id}/papers`} variant="outlined">
              Papers
            </Button>
            <More found={found} onAsk={ask} onOpen={(dialog) => setOpen({ dialog })} />
          </Box>
        )}
      </Box>
      {problem !== null && <Failed problem={problem} />}
      {found.restricted !== null && (
        <Alert
          severity="warning"
          sx={{ mb: 1.5 }}
          action={
            <Button component={RouterLink} to={`/cases/${found.id}/data`}>
              The athlete’s data
            </Button>
          }
        >
          This record is set aside: {found.restricted}. Only owners see it, and nothing is decided or entered until it
          is settled.
        </Alert>
      )}
      {closed && (
        <Alert
          severity="info"
          sx={{ mb: 1.5 }}
          action={
            <>
              <Button component={RouterLink} to={`/cases/${found.id}/papers`}>
                Papers
              </Button>
              <Button component={RouterLink} to={`/cases/${found.id}/data`}>
                The athlete’s data
              </Button>
              {decides && (
                <>
                  <Button onClick={() => ask({ kind: 'note' })}>Add a note</Button>
                  <Button onClick={() => ask({ kind: 'reopen' })}>Open again …</Button>
                </>
              )}
            </>
          }
        >
          This case was closed {ago(found.closed_on ?? '', standing.today)}.
          {found.after_close > 0 &&
            ` ${found.after_close} ${found.after_close === 1 ? 'entry' : 'entries'} of the athlete came in after that.`}
        </Alert>
      )}
      {found.stops
        .filter((stop) => !stop.cleared)
        .map((stop) => (
          <Alert
            key={stop.id}
            severity="error"
            icon={false}
            sx={{ mb: 1.5, bgcolor: 'stop.main', color: 'background.paper', alignItems: 'center' }}
            action={
              decides && (
                <Button
                  variant="outlined"
                  color="inherit"
                  onClick={() => ask({ kind: 'clear_stop', clears: stop.id, words: stop.words })}
                >
                  Clear after review
                </Button>
              )
            }
          >
            Stop, reported {ago(stop.at, standing.today)}: {stop.words}. No loading until you have reviewed it; refer if
            it is outside your scope.
          </Alert>
        ))}
      {found.severe_flare && (
        <Alert severity="error" icon={false} sx={{ mb: 1.5, bgcolor: 'stop.main', color: 'background.paper' }}>
          A flare at the stop level was reported between sessions. The phone shows no loading until you have answered it
          or marked it as seen.
        </Alert>
      )}
      <IntakeNotes found={found} />
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            sm: '236px minmax(0, 1fr)',
            md: '236px minmax(0, 1fr) 340px',
            xl: '270px minmax(0, 1fr) 420px',
          },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <Paper variant="panel">
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              Ladder
            </Typography>
            <UprightLadder rungs={standing.ladder} width={206} />
            <Typography variant="body2" color="textSecondary">
              In {standing.stage.title} since {day(found.stage_from)}
            </Typography>
            {found.waiting !== null && (
              <Typography variant="body2" color="watch" sx={{ mt: 1 }}>
                From {day(found.waiting.from)}: {found.waiting.note}
              </Typography>
            )}
            {found.maintenance !== null && (
              <Typography variant="body2" sx={{ mt: 1 }}>
                Doses kept up {found.maintenance.per_week === 1 ? 'once' : 'twice'} a week until{' '}
                {day(found.maintenance.until)}
              </Typography>
            )}
            {found.review_on !== null && (
              <Typography variant="body2" sx={{ mt: 1 }}>
                Review planned {ago(found.review_on, standing.today)}
              </Typography>
            )}
          </Paper>
          {found.practice !== null && <PracticePanel practice={found.practice} />}
          <GatePanel
            found={found}
            onHighlight={setLit}
            {...(decides ? { onSignOff: () => ask({ kind: 'sign_off' }) } : {})}
          />
        </Box>
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            minWidth: 0,
            gridColumn: { sm: '1 / -1', md: 'auto' },
            order: { xs: 2, md: 0 },
          }}
        >
          <Story found={found} lit={lit} />
          <DoseTable found={found} />
          <MeasuresPanel found={found} />
          <RecordList found={found} onNote={() => ask({ kind: 'note' })} onDone={setDone} />
        </Box>
        <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0, order: { xs: -1, sm: 1, md: 0 } }}>
          {found.asked_at !== null && <MessagesPanel found={found} />}
          <ProposalCard
            found={found}
            onAccept={() => setOpen({ dialog: 'accept' })}
            onKeep={() => ask({ kind: 'keep' })}
            onClear={(stop) => ask({ kind: 'clear_stop', clears: stop.id, words: stop.words })}
          />
          <LintPanel found={found} />
          <OpinionsPanel found={found} />
          {found.asked_at === null && <MessagesPanel found={found} />}
        </Box>
      </Box>
      {open?.dialog === 'accept' && <AcceptDialog id={found.id} onClose={() => setOpen(null)} onDecided={setDone} />}
      {open?.dialog === 'flare' && <FlareDialog found={found} onClose={() => setOpen(null)} onDecided={setDone} />}
      {open?.dialog === 'nudge' && (
        <NudgeDialog id={found.id} onClose={() => setOpen(null)} onDone={(words) => setDone({ words })} />
      )}
      {open?.dialog === 'tables' && (
        <TablesDialog
          of={found.athlete.name}
          path={(table) => `/api/cases/${found.id}/tables/${table}.csv`}
          onClose={() => setOpen(null)}
        />
      )}
      {open?.dialog === 'sharing' && <SharingDialog found={found} onClose={() => setOpen(null)} />}
      {open?.dialog === 'invite' && <InviteDialog found={found} onClose={() => setOpen(null)} />}
      {open?.dialog === 'reason' && (
        <ReasonDialog found={found} asked={open.asked} onClose={() => setOpen(null)} onDecided={setDone} />
      )}
      <UndoBar done={done} onChange={setDone} latest={undoable(found)} />
    </Box>
  );
}

/** The latest decision that can still be taken back. */
function undoable(found: Case): Done | undefined {
  const latest = found.decisions.find((decision) => decision.can_undo);
  return latest === undefined
    ? undefined
    : { words: `Latest decision: ${latest.words}`, undo: { id: found.id, decision: latest.id } };
}

function More({
  found,
  onAsk,
  onOpen,
}: {
  found: Case;
  onAsk: (asked: Asked) => void;
  onOpen: (dialog: 'nudge' | 'invite' | 'tables' | 'sharing') => void;
}) {
  const may = useMay();
  const [at, setAt] = useState<HTMLElement | null>(null);
  const navigate = useNavigate();
  const all: [Schemas['Permission'], string, () => void][] = [
    ['decide', 'Advance or go back by hand …', () => onAsk({ kind: 'stage' })],
    ['decide', 'Change the school …', () => onAsk({ kind: 'rule' })],
    ['decide', found.review_on === null ? 'Plan a review …' : 'Move the review …', () => onAsk({ kind: 'review' })],
    ['see', 'Intake …', () => void navigate(`/cases/${found.id}/intake`)],
    ['see', 'Entries: put right, enter for the athlete …', () => void navigate(`/cases/${found.id}/entries`)],
    ['take-out', 'Tables for a spreadsheet …', () => onOpen('tables')],
    ['take-out', 'Export the case file', () => window.location.assign(`/api/cases/${found.id}/file`)],
    [
      'take-out',
      'Export the health record (FHIR)',
      () => window.location.assign(`/api/cases/${found.id}/health-record`),
    ],
    ['see', 'The athlete’s data: agreements, export, erasing …', () => void navigate(`/cases/${found.id}/data`)],
    ['see', 'Who sees this case …', () => onOpen('sharing')],
    ['decide', 'Add a note …', () => onAsk({ kind: 'note' })],
    ['decide', 'Close the case …', () => onAsk({ kind: 'close' })],
    ['decide', 'Nudge the athlete …', () => onOpen('nudge')],
    ['decide', 'Invite the athlete …', () => onOpen('invite')],
  ];
  const choices = all.filter(([needs]) => may(needs));
  return (
    <>
      <Button
        variant="outlined"
        aria-haspopup="menu"
        aria-expanded={at !== null}
        onClick={(event) => setAt(event.currentTarget)}
      >
        More
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {choices.map(([, title, act]) => (
          <MenuItem
            key={title}
            onClick={() => {
              setAt(null);
              act();
            }}
          >
            {title}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
