import { Controller } from 'react-hook-form';
import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQueryClient } from '@tanstack/react-query';
import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { FormTimezone } from '../../forms/FormTimezone';
import { FormProblem, FormText, SendButton, SendForm } from '../../forms/SendForm';
import { useSendForm } from '../../forms/useSendForm';

const orNull = (text: string) => (text.trim() === '' ? null : text.trim());

/** What a practice sets for itself: whom athletes call, the head of letters, its time zone, and what is usual in it. */
export function OwnSettings({ settings, mayChange }: { settings: Schemas['PracticeCard']; mayChange: boolean }) {
  const queries = useQueryClient();
  const form = useSendForm({
    defaultValues: {
      name: settings.name,
      timezone: settings.timezone,
      telephone: settings.telephone ?? '',
      hours: settings.hours ?? '',
      address: settings.address ?? '',
      nudge_words: settings.nudge_words ?? '',
      equipment: settings.equipment ?? [],
    },
    send: (values) =>
      send(() =>
        api.PUT('/api/practice', {
          body: {
            name: values.name.trim(),
            timezone: values.timezone,
            telephone: orNull(values.telephone),
            hours: orNull(values.hours),
            address: orNull(values.address),
            nudge_words: orNull(values.nudge_words),
            equipment: values.equipment.length === 0 ? null : values.equipment,
          },
        }),
      ),
    onSent: (answer) => {
      queries.setQueryData(queryKeys.practice, answer);
      void queries.invalidateQueries({ queryKey: queryKeys.session });
    },
  });
  const field = (name: 'name' | 'telephone' | 'hours' | 'address' | 'nudge_words', label: string, help?: string) => (
    <FormText
      control={form.control}
      name={name}
      label={label}
      help={help}
      disabled={!mayChange}
      multiline={name === 'nudge_words'}
      {...(name === 'telephone' ? { type: 'tel' } : {})}
    />
  );
  return (
    <SendForm form={form} sx={{ display: 'grid', gap: 2 }}>
      <Paper
        variant="outlined"
        component="section"
        aria-label="Whom athletes call"
        sx={{ p: 2.5, display: 'grid', gap: 2 }}
      >
        <Box>
          <Typography variant="h2">Whom athletes call</Typography>
          <Typography color="textSecondary">
            Shown on every phone where loading is stopped, under “When it hurts”, and on the printed sheet.
          </Typography>
        </Box>
        {form.watch('telephone').trim() === '' && (
          <Alert severity="warning">Without a number an athlete who is told to stop has nobody to call.</Alert>
        )}
        {field('telephone', 'Telephone', 'For instance +351 210 000 000')}
        {field('hours', 'Hours', 'When somebody answers, and whom to call at other times')}
      </Paper>
      <Paper variant="outlined" component="section" aria-label="The practice" sx={{ p: 2.5, display: 'grid', gap: 2 }}>
        <Typography variant="h2">The practice</Typography>
        {field('name', 'Name', 'At the head of letters and sheets, and on every phone')}
        {field('address', 'Address', 'At the head of letters and sheets')}
        <FormTimezone
          control={form.control}
          name="timezone"
          disabled={!mayChange}
          help="Decides what counts as today and as the next morning"
        />
        <Controller
          control={form.control}
          name="equipment"
          render={({ field: { value, onChange, ref }, fieldState: { error } }) => (
            <Autocomplete
              multiple
              options={settings.all_equipment}
              value={value}
              disabled={!mayChange}
              disableCloseOnSelect
              onChange={(_, equipment) => onChange(equipment)}
              renderInput={(params) => (
                <TextField
                  {...params}
                  label="Equipment that most athletes have"
                  inputRef={ref}
                  error={error !== undefined}
                  helperText={error?.message ?? 'Offered as “as usual here” when a case is opened'}
                />
              )}
            />
          )}
        />
        {field(
          'nudge_words',
          'Message to a silent athlete',
          'Leave empty for Rung’s own words. {name} stands for the first name. You can change the message each time before it is sent.',
        )}
      </Paper>
      <FormProblem form={form} />
      {mayChange ? (
        <Box>
          <SendButton form={form}>Save</SendButton>
        </Box>
      ) : (
        <Typography color="textSecondary">The owner of the practice can change this.</Typography>
      )}
      {form.answer !== undefined && <Alert severity="success">Saved. Phones show it with the next reception.</Alert>}
    </SendForm>
  );
}
