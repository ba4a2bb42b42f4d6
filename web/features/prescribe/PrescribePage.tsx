import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useNavigate, useParams, useSearchParams } from 'react-router';

import { Refusal } from '../../api/client';
import { TimeScale, traceSeconds } from '../../charts/ExerciseTrace';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { CopyDialog } from './CopyDialog';
import { DaysPanel } from './DaysPanel';
import {
  added,
  begin,
  begunNow,
  copied,
  type Draft,
  isDrawable,
  type PlanInForce,
  type Row,
  swapped,
  withProposal,
} from './draft';
import { ExerciseRow } from './ExerciseRow';
import { forgetDraft, keepDraft, keptDraft } from './kept';
import { LaterPanel } from './LaterPanel';
import { LibraryDrawer } from './LibraryDrawer';
import { SavePanel } from './SavePanel';
import { SlotsPanel } from './SlotsPanel';
import { SwapDialog } from './SwapDialog';
import { LintList, TotalsPanel } from './TotalsPanel';
import { WayBackPanel } from './WayBackPanel';
import { usePlan, usePreview, useSavePlan } from './usePlan';

const TRACE = 300;

/** The stage's exercises as tempo traces on one time scale, to be set by hand. */
export function PrescribePage() {
  const id = useParams().id ?? '';
  const plan = usePlan(id);
  if (plan.isPending) return <Loading what="the plan" />;
  if (plan.data === undefined) return <Failed problem={plan.error} onRetry={() => void plan.refetch()} />;
  return <Prescribing key={id} plan={plan.data} again={async () => (await plan.refetch()).data} />;
}

/** Faults of one item of a list, by the rest of their path. */
const under = (faults: Readonly<Record<string, string>>, prefix: string): Record<string, string> =>
  Object.fromEntries(
    Object.entries(faults)
      .filter(([path]) => path.startsWith(prefix))
      .map(([path, words]) => [path.slice(prefix.length), words]),
  );

type Open = { what: 'library' | 'copy' } | { what: 'swap'; row: Row } | null;

function Prescribing({ plan, again }: { plan: PlanInForce; again: () => Promise<PlanInForce | undefined> }) {
  const [search] = useSearchParams();
  const proposed = search.get('proposal') === '1' && plan.proposed.length > 0;
  const [restored, setRestored] = useState(() => keptDraft(plan));
  const [draft, setDraft] = useState<Draft>(
    () => restored ?? (proposed ? withProposal(begin(plan), plan) : begin(plan)),
  );
  const [revision, setRevision] = useState(plan.revision);
  const [edited, setEdited] = useState<string | null>(
    () =>
      draft.rows.find(
        (row) => proposed && plan.proposed.some((proposal) => proposal.prescription.key === row.prescription.key),
      )?.id ?? null,
  );
  const [open, setOpen] = useState<Open>(null);
  const preview = usePreview(plan.id, draft);
  const save = useSavePlan(plan.id);
  const navigate = useNavigate();

  const stage = plan.stages.find((candidate) => candidate.key === draft.stage);
  const slots = stage?.slots ?? [];
  const change = (part: Partial<Draft>) => {
    const next = { ...draft, ...part };
    setDraft(next);
    save.reset();
    keepDraft(plan, next);
  };
  const changeRow = (id: string, make: (row: Row) => Row) =>
    change({ rows: draft.rows.map((row) => (row.id === id ? make(row) : row)) });
  const move = (at: number, by: 1 | -1) => {
    const rows = [...draft.rows];
    const [row] = rows.splice(at, 1);
    if (row !== undefined) rows.splice(at + by, 0, row);
    change({ rows });
  };
  const add = (rows: Row[]) => {
    change({ rows: [...draft.rows, ...rows] });
    setEdited(rows[0]?.id ?? null);
    setOpen(null);
  };
  const store = () =>
    save.mutate(
      { draft, revision, note: draft.note ?? preview.data?.note ?? '' },
      {
        onSuccess: (answer) => {
          forgetDraft(plan);
          void navigate(`/cases/${plan.id}`, {
            state: { done: { words: answer.words, undo: { id: plan.id, decision: answer.id } } },
          });
        },
      },
    );

  const refusal = save.error instanceof Refusal ? save.error : preview.error instanceof Refusal ? preview.error : null;
  const faults = refusal?.fields ?? {};
  const placed = /^(prescriptions\.\d|from$|note$|why$|available$|rhythm|slots)/;
  const elsewhere =
    refusal !== null && !Object.keys(faults).some((path) => placed.test(path))
      ? refusal.message
      : (faults.prescriptions ?? null);
  const fresh = preview.fresh && preview.error === null;
  const seconds = Math.max(
    30,
    ...draft.rows
      .filter((row) => isDrawable(row.prescription.dose))
      .map((row) => traceSeconds(row.prescription.dose, row.prescription.mode)),
  );
  const slotFor = (mode: string) => (slots.find((slot) => slot.mode === mode) ?? slots[0])?.key ?? '';

  return (
    <Box component="main" sx={{ px: 2, pb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', columnGap: 2, rowGap: 1, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
          Prescribe for {plan.athlete.name}
        </Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {plan.structure_title}, {plan.side === 'both' ? 'both sides' : plan.side}
        </Typography>
        <TextField
          select
          label="Stage"
          value={draft.stage}
          onChange={(event) => {
            const next = begin(plan, event.target.value);
            setDraft(next);
            setEdited(null);
            forgetDraft(plan);
          }}
          sx={{ width: 190 }}
        >
          {plan.stages.map((candidate) => (
            <MenuItem key={candidate.key} value={candidate.key}>
              {candidate.title}
              {candidate.key === plan.stage ? ' (now)' : ''}
            </MenuItem>
          ))}
        </TextField>
        <Button component={RouterLink} to={`/cases/${plan.id}`}>
          Back to the case
        </Button>
      </Box>
      {plan.waiting !== null && (
        <Alert severity="info" sx={{ mb: 1 }}>
          Version {plan.waiting.version} waits for {day(plan.waiting.from)}: {plan.waiting.note}. What you save here
          takes its place.
        </Alert>
      )}
      {restored !== null && (
        <Alert
          severity="info"
          sx={{ mb: 1 }}
          action={
            <Button
              onClick={() => {
                forgetDraft(plan);
                setDraft(proposed ? withProposal(begin(plan), plan) : begin(plan));
                setRestored(null);
              }}
            >
              Start over
            </Button>
          }
        >
          Your unsaved draft is back.
        </Alert>
      )}
      {proposed && restored === null && (
        <Alert severity="info" sx={{ mb: 1 }}>
          Begun with what is proposed. Change it as you see fit; nothing takes effect until you save it.
        </Alert>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 372px' },
          alignItems: 'start',
        }}
      >
        <Box sx={{ display: 'grid', gap: 1, minWidth: 0 }}>
          <Box
            sx={{
              display: { xs: 'none', md: 'grid' },
              gridTemplateColumns: `minmax(0, 1fr) ${TRACE}px`,
              columnGap: 1.5,
              px: 1.25,
            }}
          >
            <Typography variant="body2" color="textSecondary">
              In the order in which they are done; the scale shows the work of one limb
            </Typography>
            <TimeScale seconds={seconds} width={TRACE} />
          </Box>
          {draft.rows.some((row) => row.rests_until !== null) && (
            <Alert
              severity="warning"
              action={
                <Button onClick={() => change({ ends_rest: !draft.ends_rest })}>
                  {draft.ends_rest ? 'Keep the rest' : 'End the rest'}
                </Button>
              }
            >
              {draft.ends_rest
                ? 'All of it is asked for again from the day chosen on the right.'
                : 'Some of this rests for now and is asked for again by itself.'}
            </Alert>
          )}
          {draft.rows.length === 0 && (
            <Typography color="textSecondary" sx={{ p: 2 }}>
              Nothing is asked for in this stage. Add an exercise from the library, or copy from another case.
            </Typography>
          )}
          {draft.rows.map((row, i) => (
            <ExerciseRow
              key={row.id}
              row={row}
              slots={slots}
              preview={
                preview.data?.prescriptions[i]?.exercise === row.prescription.exercise
                  ? preview.data.prescriptions[i]
                  : undefined
              }
              fresh={fresh}
              wakes={draft.ends_rest}
              faults={under(faults, `prescriptions.${i}.`)}
              open={edited === row.id}
              seconds={seconds}
              width={TRACE}
              first={i === 0}
              last={i === draft.rows.length - 1}
              onToggle={() => setEdited(edited === row.id ? null : row.id)}
              onChange={(prescription) => changeRow(row.id, (line) => ({ ...line, prescription }))}
              onMove={(by) => move(i, by)}
              onSwap={() => setOpen({ what: 'swap', row })}
              onRemove={() => change({ rows: draft.rows.filter((line) => line.id !== row.id) })}
            />
          ))}
          <Box sx={{ display: 'flex', gap: 1 }}>
            <Button variant="outlined" onClick={() => setOpen({ what: 'library' })}>
              Add from the library
            </Button>
            <Button variant="outlined" onClick={() => setOpen({ what: 'copy' })}>
              Copy from another case
            </Button>
          </Box>
          {draft.begins_later.length > 0 && (
            <LaterPanel
              later={draft.begins_later}
              onBegin={(item) => change(begunNow(draft, item))}
              onLeaveOut={(item) => change({ begins_later: draft.begins_later.filter((other) => other !== item) })}
            />
          )}
          <DaysPanel
            draft={draft}
            slots={draft.slots.filter((slot) => slot.beside === null)}
            words={fresh ? preview.data?.rhythm : undefined}
            faults={faults}
            onChange={change}
          />
          <SlotsPanel draft={draft} faults={faults} onChange={change} />
          {draft.slots.map(
            (slot, i) =>
              slot.mode === 'sport' && (
                <WayBackPanel
                  key={slot.key}
                  title={slot.title}
                  steps={slot.practice}
                  usual={plan.usual_practice}
                  at={`slots.${i}`}
                  faults={faults}
                  onChange={(practice) =>
                    change({ slots: draft.slots.map((kind) => (kind.key === slot.key ? { ...kind, practice } : kind)) })
                  }
                />
              ),
          )}
        </Box>
        <Box sx={{ display: 'grid', gap: 1.5, position: { md: 'sticky' }, top: 8 }}>
          <SavePanel
            plan={plan}
            draft={draft}
            written={preview.data?.note}
            fresh={fresh}
            faults={faults}
            problem={elsewhere}
            saving={save.isPending}
            onChange={change}
            onSave={store}
          />
          {save.error instanceof Refusal && save.error.status === 409 && (
            <Alert
              severity="warning"
              action={
                <Button
                  onClick={() => {
                    void again().then((now) => {
                      if (now !== undefined) {
                        setRevision(now.revision);
                        save.reset();
                      }
                    });
                  }}
                >
                  Keep my changes
                </Button>
              }
            >
              Look at the case first; what you typed here is kept.
            </Alert>
          )}
          <TotalsPanel
            preview={preview.data}
            fresh={fresh}
            problem={preview.error === null ? null : preview.error.message}
          />
          <LintList preview={preview.data} fresh={fresh} />
        </Box>
      </Box>
      {open?.what === 'library' && (
        <LibraryDrawer
          structure={plan.structure}
          title={plan.structure_title}
          onClose={() => setOpen(null)}
          onAdd={(exercise) => add([added(exercise, slotFor(exercise.mode))])}
        />
      )}
      {open?.what === 'copy' && (
        <CopyDialog
          plan={plan}
          onClose={() => setOpen(null)}
          onCopy={(items) => add(items.map((item) => copied(item, slotFor(item.prescription.mode))))}
        />
      )}
      {open?.what === 'swap' && (
        <SwapDialog
          row={open.row}
          onClose={() => setOpen(null)}
          onChoose={(exercise) => {
            changeRow(open.row.id, (row) => swapped(row, exercise));
            setEdited(open.row.id);
            setOpen(null);
          }}
        />
      )}
    </Box>
  );
}
