import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { createContext, type ReactNode, useContext, useState } from 'react';

import type { Schemas } from '../../api/client';
import { Field } from './Field';
import { added, at, type Leaf, leaves, moved, type Path, removed, repeated, replaced } from './tree';
import { type Library, MODES } from './words';

interface Editing {
  content: unknown;
  library: Library;
  criteria: Schemas['Part'][];
  levers: Schemas['Part'][];
  /** Our own: what ships is looked at and copied. */
  own: boolean;
  faults: Record<string, string>;
  /** A single value; the fields stay as they are. */
  put: (path: Path, value: unknown) => void;
  /** Another shape: the fields begin anew. */
  reshape: (next: unknown) => void;
  /** Counts how often they did. */
  turn: number;
}

const EditingContext = createContext<Editing | null>(null);

function useEditing(): Editing {
  const editing = useContext(EditingContext);
  if (editing === null) throw new Error('outside of a programme that is edited');
  return editing;
}

const list = (value: unknown, path: Path): unknown[] => {
  const found = at(value, path);
  return Array.isArray(found) ? found : [];
};
const textAt = (value: unknown, path: Path): string => {
  const found = at(value, path);
  return typeof found === 'string' ? found : '';
};

/** A programme by its stages: sessions, exercises with how they grow, and what leads on to the next. */
export function ProgrammeForm({ editing }: { editing: Editing }) {
  const stages = list(editing.content, ['stages']);
  return (
    <EditingContext value={editing}>
      <Paper variant="panel" component="section" aria-label="In general" sx={{ mb: 1.5 }}>
        <Typography variant="h2" sx={{ mb: 1 }}>
          In general
        </Typography>
        <Fields of={[]} without={['stages', 'variants']} />
      </Paper>
      {stages.map((_, i) => (
        <StageCard
          key={textAt(editing.content, ['stages', i, 'key'])}
          path={['stages', i]}
          last={i === stages.length - 1}
        />
      ))}
      {editing.own && (
        <AddMenu
          label="Add a stage"
          options={(['isometric', 'isotonic', 'plyometric', 'sport'] as const).map((mode) => ({
            key: mode,
            title: MODES[mode],
            content: newStage(mode),
          }))}
          add={(content) => editing.reshape(added(editing.content, ['stages'], content))}
        />
      )}
      {list(editing.content, ['variants']).length > 0 && (
        <Paper variant="panel" component="section" aria-label="Variants" sx={{ mt: 1.5 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            For one structure alone
          </Typography>
          {list(editing.content, ['variants']).map((_, i) => (
            <Fields key={i} of={['variants', i]} />
          ))}
        </Paper>
      )}
    </EditingContext>
  );
}

const newStage = (mode: Schemas['Mode']) => ({
  key: 'stage',
  title: MODES[mode],
  mode,
  gate: [{ type: 'days_in_stage', min: 14 }],
  slots: [{ key: 'work', title: MODES[mode], mode, times_per_day: 1 }],
  rhythm: { every_days: 2 },
  prescriptions: [],
});

/** The values that belong to one thing and to nothing inside it. */
function Fields({
  of,
  without = [],
  width,
  choices,
}: {
  of: Path;
  without?: string[];
  width?: number;
  choices?: (leaf: Leaf) => readonly (readonly [string, string])[] | undefined;
}) {
  const { content, library, own, faults, put, turn } = useEditing();
  const found = leaves(at(content, of), of).filter((leaf) => !without.includes(String(leaf.path[of.length])));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25 }}>
      {found.map((leaf) => {
        const place = leaf.path.join('.');
        // Of a dose what is emptied is left out, but for what every dose has.
        const isOptional = leaf.path.includes('dose') && !['sets', 'reps', 'rest_s'].includes(String(leaf.path.at(-1)));
        return (
          <Field
            key={`${place}/${turn}`}
            leaf={leaf}
            library={library}
            disabled={!own}
            fault={faults[place]}
            change={(next) => put(leaf.path, isOptional && next === '' ? null : next)}
            choices={choices?.(leaf)}
            width={typeof leaf.value === 'number' || leaf.value === null ? width : undefined}
          />
        );
      })}
    </Box>
  );
}

/** Order, repeat and remove, for a thing of a list. */
function Order({
  path,
  name,
  last,
  repeat = true,
  remove,
}: {
  path: Path;
  name: string;
  last: boolean;
  repeat?: boolean;
  remove?: () => void;
}) {
  const { content, own, reshape } = useEditing();
  if (!own) return null;
  return (
    <Box sx={{ whiteSpace: 'nowrap', '& button': { minWidth: 0, px: 0.75, py: 0 } }}>
      <Button aria-label={`${name}: up`} disabled={path.at(-1) === 0} onClick={() => reshape(moved(content, path, -1))}>
        ↑
      </Button>
      <Button aria-label={`${name}: down`} disabled={last} onClick={() => reshape(moved(content, path, 1))}>
        ↓
      </Button>
      {repeat && (
        <Button aria-label={`Repeat ${name}`} onClick={() => reshape(repeated(content, path))}>
          Repeat
        </Button>
      )}
      <Button aria-label={`Remove ${name}`} onClick={remove ?? (() => reshape(removed(content, path)))}>
        Remove{remove === undefined ? '' : ' …'}
      </Button>
    </Box>
  );
}

/** One line of a list inside a stage: what it is, its few values, and its order. */
function Row({ path, title, last, children }: { path: Path; title: string; last: boolean; children?: ReactNode }) {
  const { faults } = useEditing();
  const fault = faults[path.join('.')];
  return (
    <Box
      role="group"
      aria-label={title}
      sx={{
        display: 'flex',
        gap: 1.25,
        alignItems: 'center',
        flexWrap: 'wrap',
        borderTop: 1,
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Typography variant="body2" sx={{ width: 190, flexShrink: 0 }}>
        {title}
      </Typography>
      <Box sx={{ flex: 1, display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'center' }}>{children}</Box>
      <Order path={path} name={title} last={last} repeat={false} />
      {fault !== undefined && (
        <Typography color="error" variant="body2" sx={{ width: '100%' }}>
          {fault}
        </Typography>
      )}
    </Box>
  );
}

function StageCard({ path, last }: { path: Path; last: boolean }) {
  const editing = useEditing();
  const { content, library, own, reshape, criteria, faults } = editing;
  const [sure, setSure] = useState(false);
  const title = textAt(content, [...path, 'title']);
  const name = `Stage ${Number(path.at(-1)) + 1} ${title}`;
  const slots = list(content, [...path, 'slots']).map(
    (_, i) => [textAt(content, [...path, 'slots', i, 'key']), textAt(content, [...path, 'slots', i, 'title'])] as const,
  );
  const prescriptions = list(content, [...path, 'prescriptions']);
  const exercises = prescriptions.map(
    (prescription) =>
      [
        textAt(prescription, ['key']),
        library.exercises.find(({ key }) => key === textAt(prescription, ['exercise']))?.title ??
          textAt(prescription, ['exercise']),
      ] as const,
  );
  const gate = list(content, [...path, 'gate']);
  const elsewhere = ['gate', 'slots', 'prescriptions', 'rhythm'].flatMap(
    (part) => faults[[...path, part].join('.')] ?? [],
  );
  return (
    <Paper variant="panel" component="section" aria-label={name} sx={{ mb: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {name}
        </Typography>
        <Order path={path} name={name} last={last} remove={() => setSure(true)} />
      </Box>
      {elsewhere.map((fault) => (
        <Typography key={fault} color="error" variant="body2">
          {fault}
        </Typography>
      ))}
      <Fields of={path} without={['gate', 'slots', 'prescriptions', 'rhythm']} />
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Kinds of session
      </Typography>
      {slots.map(([key, slot], i) => (
        <Row key={key} path={[...path, 'slots', i]} title={slot} last={i === slots.length - 1}>
          <Fields of={[...path, 'slots', i]} width={120} />
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
          add={(slot) => reshape(added(content, [...path, 'slots'], slot))}
        />
      )}
      <RhythmPart path={[...path, 'rhythm']} slots={slots} />
      <Typography variant="h3" sx={{ mt: 1.5, mb: 0.5 }}>
        Exercises
      </Typography>
      {prescriptions.map((prescription, i) => (
        <ExerciseCard
          key={textAt(prescription, ['key'])}
          path={[...path, 'prescriptions', i]}
          title={exercises[i]?.[1] ?? ''}
          slots={slots}
          last={i === prescriptions.length - 1}
        />
      ))}
      {own && <AddExercise path={[...path, 'prescriptions']} slot={slots[0]?.[0] ?? ''} />}
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
                onChange={(event) => editing.put([...path, 'gate', i, 'prescription'], event.target.value)}
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
            <Fields of={[...path, 'gate', i]} width={130} />
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
          add={(criterion) => reshape(added(content, [...path, 'gate'], criterion))}
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
                reshape(removed(content, path));
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
function RhythmPart({ path, slots }: { path: Path; slots: readonly (readonly [string, string])[] }) {
  const { content, own, reshape } = useEditing();
  const cycle = at(content, [...path, 'cycle']);
  const turns = Array.isArray(cycle) ? (cycle as string[]) : null;
  const kind =
    turns !== null ? 'cycle' : at(content, [...path, 'every_days']) !== undefined ? 'every_days' : 'per_week';
  const fresh: Record<string, unknown> = {
    cycle: { cycle: slots.map(([key]) => key) },
    every_days: { every_days: 2 },
    per_week: { per_week: 3, min_gap_days: 2 },
  };
  const setTurns = (next: string[]) => reshape(replaced(content, path, { cycle: next }));
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
        onChange={(event) => reshape(replaced(content, path, fresh[event.target.value]))}
        sx={{ width: 250 }}
      >
        <MenuItem value="cycle">in turn, one a day</MenuItem>
        <MenuItem value="every_days">every so many days</MenuItem>
        <MenuItem value="per_week">so many times a week</MenuItem>
      </TextField>
      {turns === null ? (
        <Fields of={path} width={150} />
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

/** What a dose may say beside sets, repetitions and rest. */
const DOSE: readonly (readonly [string, string, unknown])[] = [
  ['reps_to', 'Repetitions up to', 12],
  ['hold_s', 'Hold', 30],
  ['hold_to_s', 'Hold up to', 45],
  ['work_s', 'Work', 30],
  ['load_kg', 'Load', 5],
  ['rm', 'Repetition maximum', 12],
  ['rir', 'Reserve', 2],
  ['percent_mvc', 'Percent of maximum', 70],
  ['effort', 'Effort', 7],
  ['height_cm', 'Height', 20],
  ['tempo', 'Tempo', { lift_s: 3, top_s: 0, lower_s: 3, bottom_s: 0, starts: 'lift' }],
  ['range', 'Range', { from_deg: 0, to_deg: 60 }],
];

function ExerciseCard({
  path,
  title,
  slots,
  last,
}: {
  path: Path;
  title: string;
  slots: readonly (readonly [string, string])[];
  last: boolean;
}) {
  const { content, levers, own, reshape } = useEditing();
  const grows = list(content, [...path, 'progression', 'levers']);
  const blocks = list(content, [...path, 'progression', 'blocks']);
  const dose = at(content, [...path, 'dose']) as Record<string, unknown>;
  const missing = DOSE.filter(([key]) => dose[key] === undefined || dose[key] === null);
  const addLever = (lever: unknown) =>
    reshape(
      grows.length > 0
        ? added(content, [...path, 'progression', 'levers'], lever)
        : replaced(content, [...path, 'progression'], { levers: [lever] }),
    );
  return (
    <Box role="group" aria-label={title} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 1.25, mb: 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="subtitle1" sx={{ flex: 1 }}>
          {title}
        </Typography>
        <Order path={path} name={title} last={last} />
      </Box>
      <Fields
        of={path}
        without={['progression', 'ladder']}
        width={140}
        choices={(leaf) => (leaf.path.at(-1) === 'slot' ? slots : undefined)}
      />
      {own && missing.length > 0 && (
        <AddMenu
          label="Add to the dose"
          options={missing.map(([key, words, value]) => ({ key, title: words, content: { value } }))}
          add={(chosen, key) =>
            reshape(replaced(content, [...path, 'dose', key], (chosen as { value: unknown }).value))
          }
        />
      )}
      <Typography variant="subtitle2" sx={{ mt: 1 }}>
        {blocks.length > 0 ? 'Grows by weeks' : 'Grows, the first that has room first'}
      </Typography>
      {grows.map((grow, i) => {
        const kind = textAt(grow, ['lever']);
        return (
          <Row
            key={`${kind}/${i}`}
            path={[...path, 'progression', 'levers', i]}
            title={levers.find(({ key }) => key === kind)?.title ?? kind}
            last={i === grows.length - 1}
          >
            <Fields of={[...path, 'progression', 'levers', i]} width={130} />
          </Row>
        );
      })}
      {blocks.map((_, i) => (
        <Row
          key={i}
          path={[...path, 'progression', 'blocks', i]}
          title={`Block ${i + 1}`}
          last={i === blocks.length - 1}
        >
          <Fields of={[...path, 'progression', 'blocks', i]} width={130} />
        </Row>
      ))}
      {own && blocks.length === 0 && <AddMenu label="Add a way to grow" options={levers} add={addLever} />}
    </Box>
  );
}

/** An exercise of the library, with its own dose to begin with. */
function AddExercise({ path, slot }: { path: Path; slot: string }) {
  const { content, library, reshape } = useEditing();
  return (
    <Autocomplete
      options={library.exercises}
      value={null}
      blurOnSelect
      clearOnBlur
      getOptionLabel={(item) => item.title}
      getOptionKey={(item) => item.key}
      onChange={(_, item) => {
        if (item !== null)
          reshape(
            added(content, path, {
              key: item.key,
              exercise: item.key,
              mode: item.mode,
              limbs: item.sides,
              slot,
              dose: item.dose,
            }),
          );
      }}
      renderInput={(props) => <TextField {...props} label="Add an exercise" />}
      sx={{ width: 340 }}
    />
  );
}

function AddMenu({
  label,
  options,
  add,
}: {
  label: string;
  options: readonly { key: string; title: string; content: unknown }[];
  add: (content: unknown, key: string) => void;
}) {
  const [from, setFrom] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setFrom(event.currentTarget)}>
        {label} …
      </Button>
      <Menu anchorEl={from} open={from !== null} onClose={() => setFrom(null)}>
        {options.map((option) => (
          <MenuItem
            key={option.key}
            onClick={() => {
              setFrom(null);
              add(option.content, option.key);
            }}
          >
            {option.title[0]?.toUpperCase()}
            {option.title.slice(1)}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
