import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import { ExerciseFigure } from '../../figure/ExerciseFigure';
import { SetTrace } from '../../charts/ExerciseTrace';
import { day } from '../../shell/dates';
import { useOpening } from './form';

/** Where to begin: programme, school, stage, and each exercise with its reason; alternatives in one click. */
export function ProposalStep() {
  const { form, set, fault, library, start, stale } = useOpening();
  const programmes =
    start?.others ??
    library.programmes
      .filter((programme) => programme.structures.includes(form.structure))
      .map((programme) => ({ ...programme, begins: null, chosen: programme.key === form.programme }));
  const usual = library.structures.find((structure) => structure.key === form.structure)?.usual_programme;
  const inOrder = [...programmes].sort((a, b) => Number(b.key === usual) - Number(a.key === usual));
  const chosen = library.programmes.find((programme) => programme.key === form.programme);
  const choose = (programme: string) => {
    set('programme', programme);
    set('stage', '');
    set('exercises', {});
  };
  return (
    <Box sx={{ width: '100%', opacity: stale ? 0.6 : 1 }}>
      <Box
        role="group"
        aria-label="Programmes"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(235px, 1fr))', gap: 1, mb: 1.5 }}
      >
        {inOrder.map((suggestion) => (
          <Button
            key={suggestion.key}
            variant="outlined"
            aria-pressed={suggestion.chosen}
            onClick={() => choose(suggestion.key)}
            sx={{
              display: 'block',
              textAlign: 'left',
              borderWidth: suggestion.chosen ? 2 : 1,
              borderColor: suggestion.chosen ? 'primary.main' : 'divider',
              color: 'text.primary',
            }}
          >
            {suggestion.title}
            <Typography
              component="span"
              variant="caption"
              color="textSecondary"
              sx={{ display: 'block', lineHeight: 1.3 }}
            >
              {suggestion.school}
              {suggestion.begins === null ? '' : ` · begins at ${suggestion.begins}`}
            </Typography>
            {suggestion.caution !== null && (
              <Typography component="span" variant="caption" color="watch" sx={{ display: 'block', lineHeight: 1.3 }}>
                {suggestion.caution}
              </Typography>
            )}
          </Button>
        ))}
      </Box>
      {fault('programme') !== undefined && (
        <Alert severity="error" sx={{ mb: 1 }}>
          {fault('programme')}
        </Alert>
      )}
      {chosen !== undefined && (
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
          {chosen.summary} {chosen.time_scale}
        </Typography>
      )}
      <Box sx={{ display: 'flex', gap: 1, mb: 1.5, flexWrap: 'wrap' }}>
        <TextField
          select
          label="School"
          value={form.rule}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          onChange={(event) => set('rule', event.target.value)}
          error={fault('rule') !== undefined}
          helperText={fault('rule')}
          sx={{ width: 290 }}
        >
          <MenuItem value="">the programme’s own: {chosen?.school}</MenuItem>
          {library.rules.map((rule) => (
            <MenuItem key={rule.key} value={rule.key}>
              {rule.title}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Begin at"
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          value={form.stage}
          onChange={(event) => {
            set('stage', event.target.value);
            set('exercises', {});
          }}
          error={fault('stage') !== undefined}
          helperText={fault('stage')}
          sx={{ width: 240 }}
        >
          <MenuItem value="">as proposed</MenuItem>
          {start?.stages.map((stage) => (
            <MenuItem key={stage.key} value={stage.key} disabled={!stage.applies}>
              {stage.title}
              {stage.applies ? '' : ' (not for this goal)'}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {start?.choices.map((choice) => (
        <Box
          key={choice.prescription}
          component="section"
          aria-label={choice.title}
          sx={{
            borderTop: 1,
            borderColor: 'divider',
            py: 1,
            display: 'grid',
            gridTemplateColumns: '96px minmax(0, 1fr) 250px',
            gap: 1.5,
            alignItems: 'center',
          }}
        >
          <ExerciseFigure
            exercise={choice.exercise}
            title={choice.title}
            size={96}
            range={choice.dose.range}
            isThumbnail
          />
          <Box>
            <Typography>
              <b>{choice.title}</b>{' '}
              <Typography component="span" color="textSecondary">
                {choice.limbs}
              </Typography>
            </Typography>
            <Typography variant="body2">
              {choice.words}
              {choice.tempo_words === null ? '' : ` · ${choice.tempo_words}`} · rest {choice.dose.rest_s} s
            </Typography>
            {choice.reasons.map((reason) => (
              <Typography key={reason} variant="body2" color="textSecondary">
                {reason}
              </Typography>
            ))}
          </Box>
          <Box>
            <SetTrace dose={choice.dose} mode={choice.mode} scale={2} title={`One set of ${choice.title}`} />
            {choice.alternatives.length > 0 && (
              <TextField
                select
                fullWidth
                label="Another rung"
                value=""
                onChange={(event) => set('exercises', { ...form.exercises, [choice.prescription]: event.target.value })}
                slotProps={{
                  select: { displayEmpty: true, renderValue: () => 'as it is' },
                  inputLabel: { shrink: true },
                }}
              >
                {choice.alternatives.map((other) => (
                  <MenuItem key={other.exercise} value={other.exercise}>
                    {other.title}, {other.words}
                  </MenuItem>
                ))}
              </TextField>
            )}
          </Box>
        </Box>
      ))}
      {start?.lint.map((note) => (
        <Alert key={note.key + (note.prescription ?? '')} severity="warning" icon={false} sx={{ mt: 0.5, py: 0 }}>
          <b>{note.title}.</b> {note.words} {note.why}
        </Alert>
      ))}
      {start !== undefined && start.sessions.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          A session takes{' '}
          {start.sessions.map((session) => `${session.minutes} min (${session.title.toLowerCase()})`).join(', ')}.
        </Typography>
      )}
      {start !== undefined && start.calendar.length > 0 && <Weeks calendar={start.calendar} />}
    </Box>
  );
}

function Weeks({ calendar }: { calendar: { on: string; title: string }[] }) {
  return (
    <Box sx={{ mt: 1 }}>
      <Typography variant="h3" sx={{ mb: 0.5 }}>
        The first two weeks
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(7, minmax(0, 1fr))', gap: 0.5 }}>
        {calendar.map((date, i) => (
          <Box key={`${date.on}-${i}`} sx={{ border: 1, borderColor: 'divider', borderRadius: 1, px: 0.75, py: 0.25 }}>
            <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
              {day(date.on)}
            </Typography>
            <Typography variant="body2" sx={{ lineHeight: 1.25 }}>
              {date.title}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
