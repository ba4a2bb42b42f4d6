import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Refusal, type Schemas } from '../../api/client';
import { day } from '../../shell/dates';
import { numberOf } from '../../shell/numbers';
import { momentIn } from '../../shell/zone';
import { DeviceSets } from './DeviceSets';
import { type Done, entriesOf, laterBy, startOf } from './session';
import { type Entries, useEnterSession } from './useEntries';

const PRACTICE = 'practice';

/** One session from a paper log: which it was, what was done of each exercise, and how it hurt. */
export function SessionForm({ id, found }: { id: string; found: Entries }) {
  const enter = useEnterSession(id);
  const [planned, setPlanned] = useState<string>(found.planned[0]?.planned ?? '');
  const chosen = found.planned.find((session) => session.planned === planned);
  const [slot, setSlot] = useState(chosen?.slot ?? found.sessions[0]?.slot ?? PRACTICE);
  const [on, setOn] = useState(chosen?.on ?? found.today);
  const [time, setTime] = useState('18:00');
  const [minutes, setMinutes] = useState('40');
  const [effort, setEffort] = useState('');
  const [pain, setPain] = useState('');
  const [done, setDone] = useState<Record<string, Done>>({});
  const [entry, setEntry] = useState(() => crypto.randomUUID());
  const [kept, setKept] = useState<string | null>(null);
  const kind = found.sessions.find((session) => session.slot === slot);
  const isPractice = kind === undefined || kind.exercises.length === 0;
  const exercises = kind?.exercises ?? [];
  const of = (exercise: (typeof exercises)[number]): Done => done[exercise.prescription] ?? startOf(exercise.dose);
  const read = entriesOf(exercises, of);
  const lasts = numberOf(minutes);
  const ready = lasts !== null && lasts > 0 && (isPractice ? numberOf(pain) !== null : read !== null);
  const choose = (id: string) => {
    setPlanned(id);
    const session = found.planned.find((each) => each.planned === id);
    if (session !== undefined) {
      setSlot(session.slot);
      setOn(session.on);
    }
  };
  const send = () => {
    const started = momentIn(found.zone, on, time);
    const body: Schemas['SessionLog'] = {
      planned: planned === '' ? null : planned,
      plan_version: found.plan_version,
      kind: isPractice ? 'sport' : 'loading',
      started_at: started,
      ended_at: laterBy(started, lasts ?? 0),
      minutes: isPractice ? lasts : null,
      effort: numberOf(effort),
      entries: isPractice ? [{ prescription: null, sets: [], pain: numberOf(pain) }] : (read ?? []),
    };
    enter.mutate(
      { entry, body },
      {
        onSuccess: () => {
          setKept(`${kind?.title ?? 'Practice'} of ${day(on)}`);
          setDone({});
          setPain('');
          setEffort('');
          setPlanned('');
          setEntry(crypto.randomUUID());
        },
      },
    );
  };
  const faults = enter.error instanceof Refusal ? [...new Set(Object.values(enter.error.fields))] : [];
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
      sx={{ display: 'grid', gap: 1.25 }}
    >
      <TextField
        select
        label="Which session"
        value={planned}
        onChange={(event) => choose(event.target.value)}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">One that was not planned</MenuItem>
        {found.planned.map((session) => (
          <MenuItem key={session.planned} value={session.planned}>
            {day(session.on)}: {session.title}
          </MenuItem>
        ))}
      </TextField>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {planned === '' && (
          <TextField
            select
            label="Kind"
            value={slot}
            onChange={(event) => setSlot(event.target.value)}
            sx={{ minWidth: 160 }}
          >
            {found.sessions.map((session) => (
              <MenuItem key={session.slot} value={session.slot}>
                {session.title}
              </MenuItem>
            ))}
            {!found.sessions.some((session) => session.exercises.length === 0) && (
              <MenuItem value={PRACTICE}>Practice of the sport</MenuItem>
            )}
          </TextField>
        )}
        <TextField
          type="date"
          label="On"
          value={on}
          onChange={(event) => setOn(event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, htmlInput: { min: found.opened_on, max: found.today } }}
        />
        <TextField
          type="time"
          label="From"
          value={time}
          onChange={(event) => setTime(event.target.value)}
          slotProps={{ inputLabel: { shrink: true } }}
          sx={{ width: 136 }}
        />
        <TextField
          label="Minutes"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          sx={{ width: 90 }}
        />
        {isPractice && (
          <TextField
            label="Effort, 0 to 10"
            value={effort}
            onChange={(event) => setEffort(event.target.value)}
            sx={{ width: 140 }}
          />
        )}
        {isPractice && (
          <TextField
            label="Pain, 0 to 10"
            value={pain}
            onChange={(event) => setPain(event.target.value)}
            sx={{ width: 136 }}
          />
        )}
      </Box>
      {exercises.map((exercise) => {
        const said = of(exercise);
        const set = (part: Partial<Done>) =>
          setDone((all) => ({ ...all, [exercise.prescription]: { ...said, ...part } }));
        const field = (label: string, key: Exclude<keyof Done, 'read'>, width = 84) => (
          <TextField
            label={label}
            value={said[key]}
            onChange={(event) => set({ [key]: event.target.value })}
            slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${exercise.title}, ${label}` } }}
            sx={{ width }}
          />
        );
        return (
          <Box
            key={exercise.prescription}
            role="group"
            aria-label={exercise.title}
            sx={{ borderTop: 1, borderColor: 'divider', pt: 0.75 }}
          >
            <Typography variant="body2">
              <b>{exercise.title}</b>{' '}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                asked: {exercise.words}
              </Box>
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, mt: 0.75, flexWrap: 'wrap' }}>
              {said.read === null && (
                <>
                  {field('Sets done', 'sets')}
                  {said.hold !== null && field('Hold, s', 'hold')}
                  {said.reps !== null && field('Repetitions', 'reps', 100)}
                  {said.work !== null && field('Work, s', 'work')}
                  {field('kg', 'load')}
                </>
              )}
              {field('Pain, 0 to 10', 'pain', 136)}
              <DeviceSets
                id={id}
                title={exercise.title}
                dose={exercise.dose}
                read={said.read}
                onTaken={(read) => set({ read })}
              />
            </Box>
          </Box>
        );
      })}
      {!isPractice && read === null && (
        <Typography variant="body2" color="textSecondary">
          Numbers everywhere, and the pain of each exercise that was done; 0 sets where it was left out.
        </Typography>
      )}
      {enter.error instanceof Refusal && (
        <Alert severity="error">{faults.length === 0 ? enter.error.message : faults.join(' ')}</Alert>
      )}
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <Button type="submit" variant="contained" loading={enter.isPending} disabled={!ready}>
          Keep the session
        </Button>
        <Typography variant="body2" role="status" color="textSecondary">
          {kept === null ? '' : `Kept: ${kept}`}
        </Typography>
      </Box>
    </Box>
  );
}
