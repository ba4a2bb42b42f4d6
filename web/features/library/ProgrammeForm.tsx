import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';

import type { Schemas } from '../../api/client';
import {
  AddMenu,
  AsOpenedContext,
  type Editing,
  EditingContext,
  Fields,
  isSamePart,
  list,
  Order,
  Row,
  textAt,
  useEditing,
} from './editing';
import { AddExercise, ExerciseCard } from './ExerciseCard';
import { added, at, type Path, removed, replaced } from './tree';
import { WaitingExercises } from './WaitingExercises';
import { MODES } from './words';

/** A programme by its stages: sessions, exercises with how they grow, and what leads on to the next. */
export function ProgrammeForm({ editing, content }: { editing: Editing; content: unknown }) {
  const stages = list(content, ['stages']);
  const [asOpened] = useState(() => exercisesOf(content));
  return (
    <EditingContext value={editing}>
      <AsOpenedContext value={asOpened}>
        <Paper variant="panel" component="section" aria-label="In general" sx={{ mb: 1.5 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            In general
          </Typography>
          <Fields of={[]} value={content} without={['stages', 'variants']} />
        </Paper>
        {stages.map((stage, i) => (
          <StageCard key={textAt(stage, ['key'])} path={['stages', i]} value={stage} last={i === stages.length - 1} />
        ))}
        {editing.own && (
          <AddMenu
            label="Add a stage"
            options={(['isometric', 'isotonic', 'plyometric', 'sport'] as const).map((mode) => ({
              key: mode,
              title: MODES[mode],
              content: newStage(mode),
            }))}
            onAdd={(stage) => editing.reshape((now) => added(now, ['stages'], stage))}
          />
        )}
        {list(content, ['variants']).length > 0 && (
          <Paper variant="panel" component="section" aria-label="Variants" sx={{ mt: 1.5 }}>
            <Typography variant="h2" sx={{ mb: 1 }}>
              For one structure alone
            </Typography>
            {list(content, ['variants']).map((variant, i) => (
              <Fields key={i} of={['variants', i]} value={variant} />
            ))}
          </Paper>
        )}
      </AsOpenedContext>
    </EditingContext>
  );
}

const exercisesOf = (content: unknown): ReadonlySet<unknown> =>
  new Set(
    list(content, ['stages']).flatMap((stage) => [
      ...list(stage, ['prescriptions']),
      ...list(stage, ['waiting']).map((item) => at(item, ['prescription'])),
    ]),
  );

const newStage = (mode: Schemas['Mode']) => ({
  key: 'stage',
  title: MODES[mode],
  mode,
  gate: [{ type: 'days_in_stage', min: 14 }],
  slots: [{ key: 'work', title: MODES[mode], mode, times_per_day: 1 }],
  rhythm: { every_days: 2 },
  prescriptions: [],
});

const StageCard = memo(StageCardOf, isSamePart);

function StageCardOf({ path, value, last }: { path: Path; value: unknown; last: boolean }) {
  const { library, own, put, reshape, criteria, faults } = useEditing();
  const [sure, setSure] = useState(false);
  const title = textAt(value, ['title']);
  const name = `Stage ${Number(path.at(-1)) + 1} ${title}`;
  const kinds = list(value, ['slots']);
  const slots = kinds.map((slot) => [textAt(slot, ['key']), textAt(slot, ['title'])] as const);
  const prescriptions = list(value, ['prescriptions']);
  const exercises = prescriptions.map(
    (prescription) =>
      [
        textAt(prescription, ['key']),
        library.exercises.find(({ key }) => key === textAt(prescription, ['exercise']))?.title ??
          textAt(prescription, ['exercise']),
      ] as const,
  );
  const gate = list(value, ['gate']);
  const elsewhere = ['gate', 'slots', 'prescriptions', 'waiting', 'rhythm'].flatMap(
    (part) => faults[[...path, part].join('.')] ?? [],
  );
  return (
    <Paper variant="panel" component="section" aria-label={name} sx={{ mb: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {name}
        </Typography>
        <Order path={path} name={name} last={last} onRemove={() => setSure(true)} />
      </Box>
      {elsewhere.map((fault) => (
        <Typography key={fault} color="error" variant="body2">
          {fault}
        </Typography>
      ))}
      <Fields of={path} value={value} without={['gate', 'slots', 'prescriptions', 'waiting', 'rhythm']} />
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Kinds of session
      </Typography>
      {slots.map(([key, slot], i) => (
        <Row key={key} path={[...path, 'slots', i]} title={slot} last={i === slots.length - 1}>
          <Fields of={[...path, 'slots', i]} value={kinds[i]} width={120} />
        </Row>
      ))}
      {own && (
        <AddMenu
          label="Add a kind of session"
          options={(['isometric', 'isotonic', 'plyometric', 'sport', 'control', 'mobility'] as const).map((mode) => ({
            key: mode,
            title: MODES[mode],
            content: { key: 'work', title: MODES[mode], mode, times_per_day: 1 },
          }))}
          onAdd={(slot) => reshape((now) => added(now, [...path, 'slots'], slot))}
        />
      )}
      <RhythmPart path={[...path, 'rhythm']} value={at(value, ['rhythm'])} slots={slots} />
      <Typography variant="h3" sx={{ mt: 1.5, mb: 0.5 }}>
        Exercises
      </Typography>
      {prescriptions.map((prescription, i) => (
        <ExerciseCard
          key={textAt(prescription, ['key'])}
          path={[...path, 'prescriptions', i]}
          value={prescription}
          title={exercises[i]?.[1] ?? ''}
          slots={slots}
          last={i === prescriptions.length - 1}
        />
      ))}
      {own && <AddExercise path={[...path, 'prescriptions']} slot={slots[0]?.[0] ?? ''} />}
      <WaitingExercises path={[...path, 'waiting']} waiting={list(value, ['waiting'])} slots={slots} />
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Goes on to the next stage when
      </Typography>
      {gate.map((criterion, i) => {
        const type = textAt(criterion, ['type']);
        return (
          <Row
            key={`${type}/${i}`}
            path={[...path, 'gate', i]}
            title={criteria.find(({ key }) => key === type)?.title ?? type.replaceAll('_', ' ')}
            last={i === gate.length - 1}
          >
            {textAt(criterion, ['prescription']) !== '' && (
              <TextField
                select
                label="Of"
                disabled={!own}
                value={textAt(criterion, ['prescription'])}
                onChange={(event) => put([...path, 'gate', i, 'prescription'], event.target.value)}
                error={faults[[...path, 'gate', i, 'prescription'].join('.')] !== undefined}
                helperText={faults[[...path, 'gate', i, 'prescription'].join('.')]}
                sx={{ width: 260 }}
              >
                {[
                  ...exercises,
                  ...(exercises.some(([key]) => key === textAt(criterion, ['prescription']))
                    ? []
                    : [[textAt(criterion, ['prescription']), 'an exercise of another stage'] as const]),
                ].map(([key, words]) => (
                  <MenuItem key={key} value={key}>
                    {words}
                  </MenuItem>
                ))}
              </TextField>
            )}
            <Fields of={[...path, 'gate', i]} value={criterion} width={130} />
          </Row>
        );
      })}
      {own && (
        <AddMenu
          label="Add a criterion"
          options={criteria.map((criterion) => ({
            ...criterion,
            content: ownExercise(criterion.content, exercises[0]?.[0]),
          }))}
          onAdd={(criterion) => reshape((now) => added(now, [...path, 'gate'], criterion))}
        />
      )}
      {sure && (
        <Dialog open onClose={() => setSure(false)} aria-labelledby="remove-stage">
          <DialogTitle id="remove-stage">Remove {name}?</DialogTitle>
          <DialogContent>
            <Typography>
              Its {prescriptions.length === 1 ? 'exercise' : `${prescriptions.length} exercises`} and its gate go with
              it. Nothing is changed before you save, and cases keep the programme that they were given.
            </Typography>
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setSure(false)}>Keep it</Button>
            <Button
              color="error"
              onClick={() => {
                setSure(false);
                reshape((now) => removed(now, path));
              }}
            >
              Remove the stage
            </Button>
          </DialogActions>
        </Dialog>
      )}
    </Paper>
  );
}

/** A criterion over an exercise begins with one of its own stage. */
const ownExercise = (content: Record<string, unknown>, prescription: string | undefined): Record<string, unknown> =>
  'prescription' in content && prescription !== undefined ? { ...content, prescription } : content;

/** When the sessions come: in turn, every so many days, or so many times a week. */
const RhythmPart = memo(RhythmPartOf, isSamePart);

function RhythmPartOf({
  path,
  value,
  slots,
}: {
  path: Path;
  value: unknown;
  slots: readonly (readonly [string, string])[];
}) {
  const { own, reshape } = useEditing();
  const cycle = at(value, ['cycle']);
  const turns = Array.isArray(cycle) ? (cycle as string[]) : null;
  const kind = turns !== null ? 'cycle' : at(value, ['every_days']) !== undefined ? 'every_days' : 'per_week';
  const fresh: Record<string, unknown> = {
    cycle: { cycle: slots.map(([key]) => key) },
    every_days: { every_days: 2 },
    per_week: { per_week: 3, min_gap_days: 2 },
  };
  const setTurns = (next: string[]) => reshape((now) => replaced(now, path, { cycle: next }));
  return (
    <Box
      role="group"
      aria-label="Rhythm"
      sx={{ display: 'flex', gap: 1.25, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}
    >
      <TextField
        select
        label="Rhythm"
        disabled={!own}
        value={kind}
        onChange={(event) => reshape((now) => replaced(now, path, fresh[event.target.value]))}
        sx={{ width: 250 }}
      >
        <MenuItem value="cycle">in turn, one a day</MenuItem>
        <MenuItem value="every_days">every so many days</MenuItem>
        <MenuItem value="per_week">so many times a week</MenuItem>
      </TextField>
      {turns === null ? (
        <Fields of={path} value={value} width={150} />
      ) : (
        <>
          {turns.map((turn, i) => (
            <TextField
              key={i}
              select
              label={`Day ${i + 1}`}
              disabled={!own}
              value={slots.some(([key]) => key === turn) ? turn : ''}
              onChange={(event) => setTurns(turns.map((other, place) => (place === i ? event.target.value : other)))}
              sx={{ width: 170 }}
            >
              {slots.map(([key, title]) => (
                <MenuItem key={key} value={key}>
                  {title}
                </MenuItem>
              ))}
            </TextField>
          ))}
          {own && <Button onClick={() => setTurns([...turns, slots[0]?.[0] ?? ''])}>One more day</Button>}
          {own && turns.length > 1 && <Button onClick={() => setTurns(turns.slice(0, -1))}>One day less</Button>}
        </>
      )}
    </Box>
  );
}
