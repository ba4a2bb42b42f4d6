import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Chip from '@mui/material/Chip';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link as RouterLink } from 'react-router';

import { api, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { day } from '../../shell/dates';
import { type Day, DAYS, type Form, GOALS, type Library, useOpening } from './form';
import { TypedField } from './TypedField';

/** Who, which structure, since when and after what, with what and on which days. */
export function Intake() {
  const { form, set, fault, library } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  const isPrevention = form.purpose === 'prevention';
  const at = (field: string) => ({ error: fault(field) !== undefined, helperText: fault(field) });
  const usual =
    useQuery({ queryKey: queryKeys.practice, queryFn: () => send(() => api.GET('/api/practice')) }).data?.equipment ??
    [];
  const toggle = (kind: string) =>
    set(
      'equipment',
      form.equipment.includes(kind) ? form.equipment.filter((other) => other !== kind) : [...form.equipment, kind],
    );
  return (
    <>
      <Who />
      <Purpose />
      <TextField
        select
        required
        label="Structure"
        value={form.structure}
        sx={{ width: 220 }}
        {...at('structure')}
        onChange={(event) => {
          const next = library.structures.find((info) => info.key === event.target.value);
          set('structure', event.target.value);
          set('programme', usualFor(library, next, form.purpose) ?? form.programme);
          set('stage', '');
          set('exercises', {});
          set('advice', []);
        }}
      >
        {library.structures.map((info) => (
          <MenuItem key={info.key} value={info.key}>
            {info.title}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        required
        label="Side"
        value={form.side}
        {...at('side')}
        onChange={(event) => set('side', event.target.value as Form['side'])}
        sx={{ width: 110 }}
      >
        <MenuItem value="left">left</MenuItem>
        <MenuItem value="right">right</MenuItem>
        <MenuItem value="both">both</MenuItem>
      </TextField>
      {isPrevention ? (
        <>
          <TypedField name="season_from" label="Season begins on" type="date" width={170} />
          <TypedField name="season_until" label="Season ends on" type="date" width={170} />
        </>
      ) : (
        <>
          <TypedField name="began_on" label="Pain began on" type="date" width={170} />
          <TypedField name="load_change" label="After what change of load" width={330} />
          <TypedField name="aggravating" label="What makes it worse" width={330} />
        </>
      )}
      <TypedField
        name="history"
        label={isPrevention ? 'Earlier injuries, what was done' : 'History, what was tried'}
        width="100%"
        lines={2}
      />
      <TextField
        select
        required
        label={isPrevention ? 'To be kept fit for' : 'Must get back to'}
        value={form.goal}
        {...at('goal')}
        onChange={(event) => set('goal', event.target.value as Form['goal'])}
        sx={{ width: 200 }}
      >
        {Object.entries(GOALS).map(([key, title]) => (
          <MenuItem key={key} value={key}>
            {title}
          </MenuItem>
        ))}
      </TextField>
      <TypedField name="goal_on" label="By when, if there is a date" type="date" />
      <TypedField name="events" label="Shows or matches, as 2026-12-24" width={280} at="events.0" />
      <TypedField name="training_days_per_week" label="Trains now, days a week" width={190} />
      <TypedField name="session_minutes" label="Time for a session, min" width={190} />
      <Box role="group" aria-label="Days the athlete has" sx={{ width: '100%' }}>
        <Typography component="span" variant="body2" sx={{ mr: 1 }}>
          Days the athlete has:
        </Typography>
        {(Object.entries(DAYS) as [Day, string][]).map(([key, title]) => (
          <FormControlLabel
            key={key}
            control={
              <Checkbox
                size="small"
                checked={form.available.includes(key)}
                onChange={(event) =>
                  set(
                    'available',
                    event.target.checked
                      ? (Object.keys(DAYS) as Day[]).filter((name) => name === key || form.available.includes(name))
                      : form.available.filter((weekday) => weekday !== key),
                  )
                }
              />
            }
            label={title}
          />
        ))}
        {fault('available') !== undefined && <FormHelperText error>{fault('available')}</FormHelperText>}
      </Box>
      <Box role="group" aria-label="Equipment at hand" sx={{ width: '100%' }}>
        <Typography component="span" variant="body2" sx={{ mr: 1 }}>
          Equipment at hand:
        </Typography>
        {usual.length > 0 && <Button onClick={() => set('equipment', usual)}>as usual here</Button>}
        <Button onClick={() => set('equipment', library.equipment)}>everything</Button>
        <Button onClick={() => set('equipment', [])}>nothing</Button>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
          {library.equipment.map((kind) => (
            <Chip
              key={kind}
              label={kind}
              size="small"
              component="button"
              type="button"
              clickable
              aria-pressed={form.equipment.includes(kind)}
              color={form.equipment.includes(kind) ? 'primary' : 'default'}
              variant={form.equipment.includes(kind) ? 'filled' : 'outlined'}
              onClick={() => toggle(kind)}
            />
          ))}
        </Box>
      </Box>
      {structure !== undefined && structure.avoid.length > 0 && (
        <Typography variant="body2" color="textSecondary">
          To avoid while irritable: {structure.avoid.join('; ')}.
        </Typography>
      )}
    </>
  );
}

/** The programme that is proposed first: in prevention one that is made for it, where there is one. */
const usualFor = (
  library: Library,
  structure: Library['structures'][number] | undefined,
  purpose: Form['purpose'],
): string | undefined =>
  (purpose === 'prevention'
    ? library.programmes.find(
        (programme) =>
          programme.purpose === 'prevention' && structure !== undefined && programme.structures.includes(structure.key),
      )?.key
    : undefined) ?? structure?.usual_programme;

/** Whether something hurts, or is to be kept from it: what else is asked follows from this. */
function Purpose() {
  const { form, set, fault, library } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  const choose = (purpose: Form['purpose']) => {
    set('purpose', purpose);
    const usual = usualFor(library, structure, purpose);
    if (usual !== undefined) set('programme', usual);
    set('stage', '');
    set('exercises', {});
  };
  const hasOwn =
    structure === undefined ||
    library.programmes.some(
      (programme) => programme.purpose === 'prevention' && programme.structures.includes(structure.key),
    );
  return (
    <Box sx={{ width: '100%' }}>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={form.purpose}
        onChange={(_, next: Form['purpose'] | null) => {
          if (next !== null) choose(next);
        }}
        aria-label="What it is for"
      >
        <ToggleButton value="rehab">Something hurts</ToggleButton>
        <ToggleButton value="prevention">Prevention: nothing hurts</ToggleButton>
      </ToggleButtonGroup>
      {fault('purpose') !== undefined && <FormHelperText error>{fault('purpose')}</FormHelperText>}
      {form.purpose === 'prevention' && !hasOwn && (
        <FormHelperText>
          No programme of the library is made for prevention here; another one begins at its usual rung.
        </FormHelperText>
      )}
    </Box>
  );
}

function Who() {
  const { form, set, fault } = useOpening();
  const known = useQuery({
    queryKey: queryKeys.athletes(form.name),
    queryFn: () => send(() => api.GET('/api/athletes', { params: { query: { name: form.name } } })),
    placeholderData: (before) => before,
    enabled: form.athlete === '',
  });
  const earlier =
    useQuery({
      queryKey: queryKeys.chosenAthlete(form.name),
      queryFn: () => send(() => api.GET('/api/athletes', { params: { query: { name: form.name } } })),
      enabled: form.athlete !== '',
    })
      .data?.athletes.find((athlete) => athlete.id === form.athlete)
      ?.cases.filter((careCase) => careCase.structure === form.structure) ?? [];
  const problem = fault('athlete.name') ?? fault('athlete.id');
  return (
    <>
      <Autocomplete
        freeSolo
        options={known.data?.athletes ?? []}
        getOptionLabel={(option) => (typeof option === 'string' ? option : option.name)}
        renderOption={({ key, ...props }, option) => (
          <li key={key} {...props}>
            {option.name}
            {option.act === null ? '' : `, ${option.act}`}
            {option.cases.length === 0
              ? ''
              : `, ${option.cases.length} ${option.cases.length === 1 ? 'case' : 'cases'}`}
          </li>
        )}
        inputValue={form.name}
        onInputChange={(_, value, reason) => {
          if (reason === 'reset') return;
          set('name', value);
          set('athlete', '');
        }}
        onChange={(_, option) => {
          if (option === null || typeof option === 'string') return;
          set('athlete', option.id);
          set('name', option.name);
          set('act', option.act ?? '');
          set('body_mass_kg', option.body_mass_kg === null ? '' : String(option.body_mass_kg));
          set('born_on', option.born_on ?? '');
          if (option.known === null) return;
          // What is known of an earlier case; it can be changed like all else.
          if (option.known.equipment !== null) set('equipment', option.known.equipment);
          if (option.known.available.length > 0) set('available', option.known.available);
          set('session_minutes', option.known.session_minutes === null ? '' : String(option.known.session_minutes));
        }}
        sx={{ width: 260 }}
        renderInput={(props) => (
          <TextField
            {...props}
            label="Name"
            size="small"
            autoFocus
            error={problem !== undefined}
            helperText={problem ?? (form.athlete === '' ? undefined : 'known to the practice')}
          />
        )}
      />
      <TypedField name="act" label="Act or sport" at="athlete.act" disabled={form.athlete !== ''} width={170} />
      <TypedField name="born_on" label="Date of birth, if known" type="date" at="athlete.born_on" width={190} />
      <TypedField name="body_mass_kg" label="Body mass, kg" at="athlete.body_mass_kg" width={150} />
      {form.athlete === '' && (
        <TypedField
          name="email"
          label="E-mail address to sign in with, if any"
          type="email"
          at="athlete.email"
          width={310}
        />
      )}
      {earlier.length > 0 && (
        <Alert severity="info" sx={{ width: '100%' }}>
          An earlier episode of the same structure:{' '}
          {earlier.map((episode, i) => (
            <span key={episode.id}>
              {i > 0 && ', '}
              <RouterLink to={`/cases/${episode.id}`}>
                {episode.side}, {day(episode.opened_on)}
                {episode.closed_on === null ? ', still open' : ` to ${day(episode.closed_on)}`}
              </RouterLink>
            </span>
          ))}
          .{' '}
          {earlier.some((episode) => episode.closed_on === null)
            ? 'If one is still open, go on with it there.'
            : 'Recurrence is common: what settled then is a good guide.'}
        </Alert>
      )}
    </>
  );
}
