import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';

import { api, faultAt, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { Failed } from '../../shell/States';

type Told = Schemas['PracticeCard'];

const orNull = (text: string) => (text.trim() === '' ? null : text.trim());

/** What a practice sets for itself: whom athletes call, the head of letters, its time zone, and what is usual in it. */
export function OwnSettings({ settings: settings, mayChange }: { settings: Told; mayChange: boolean }) {
  const [form, setForm] = useState({
    name: settings.name,
    timezone: settings.timezone,
    telephone: settings.telephone ?? '',
    hours: settings.hours ?? '',
    address: settings.address ?? '',
    nudge_words: settings.nudge_words ?? '',
    equipment: settings.equipment ?? [],
  });
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () =>
      send(() =>
        api.PUT('/api/practice', {
          body: {
            name: form.name.trim(),
            timezone: form.timezone,
            telephone: orNull(form.telephone),
            hours: orNull(form.hours),
            address: orNull(form.address),
            nudge_words: orNull(form.nudge_words),
            equipment: form.equipment.length === 0 ? null : form.equipment,
          },
        }),
      ),
    onSuccess: (answer) => {
      queries.setQueryData(queryKeys.practice, answer);
      void queries.invalidateQueries({ queryKey: queryKeys.session });
    },
  });
  const fault = (name: string) => faultAt(save.error, name);
  const field = (name: 'name' | 'telephone' | 'hours' | 'address' | 'nudge_words', label: string, help?: string) => (
    <TextField
      label={label}
      value={form[name]}
      onChange={(event) => setForm({ ...form, [name]: event.target.value })}
      disabled={!mayChange}
      error={fault(name) !== undefined}
      helperText={fault(name) ?? help}
      multiline={name === 'nudge_words'}
      {...(name === 'telephone' ? { type: 'tel' } : {})}
    />
  );
  const known = ['name', 'timezone', 'telephone', 'hours', 'address', 'nudge_words', 'equipment', 'equipment.0'].some(
    (name) => fault(name) !== undefined,
  );
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event: SyntheticEvent) => {
        event.preventDefault();
        save.mutate();
      }}
      sx={{ display: 'grid', gap: 2 }}
    >
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
        {form.telephone.trim() === '' && (
          <Alert severity="warning">Without a number an athlete who is told to stop has nobody to call.</Alert>
        )}
        {field('telephone', 'Telephone', 'For instance +351 210 000 000')}
        {field('hours', 'Hours', 'When somebody answers, and whom to call at other times')}
      </Paper>
      <Paper variant="outlined" component="section" aria-label="The practice" sx={{ p: 2.5, display: 'grid', gap: 2 }}>
        <Typography variant="h2">The practice</Typography>
        {field('name', 'Name', 'At the head of letters and sheets, and on every phone')}
        {field('address', 'Address', 'At the head of letters and sheets')}
        <Autocomplete
          options={Intl.supportedValuesOf('timeZone')}
          value={form.timezone}
          disabled={!mayChange}
          disableClearable
          onChange={(_, timezone) => setForm({ ...form, timezone })}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Time zone"
              error={fault('timezone') !== undefined}
              helperText={fault('timezone') ?? 'Decides what counts as today and as the next morning'}
            />
          )}
        />
        <Autocomplete
          multiple
          options={settings.all_equipment}
          value={form.equipment}
          disabled={!mayChange}
          disableCloseOnSelect
          onChange={(_, equipment) => setForm({ ...form, equipment })}
          renderInput={(params) => (
            <TextField
              {...params}
              label="Equipment that most athletes have"
              error={fault('equipment.0') !== undefined}
              helperText={fault('equipment.0') ?? 'Offered as “as usual here” when a case is opened'}
            />
          )}
        />
        {field(
          'nudge_words',
          'Message to a silent athlete',
          'Leave empty for Rung’s own words. {name} stands for the first name. You can change the message each time before it is sent.',
        )}
      </Paper>
      {save.isError && !known && <Failed problem={save.error} />}
      {mayChange ? (
        <Box>
          <Button type="submit" variant="contained" loading={save.isPending}>
            Save
          </Button>
        </Box>
      ) : (
        <Typography color="textSecondary">The owner of the practice can change this.</Typography>
      )}
      {save.isSuccess && <Alert severity="success">Saved. Phones show it with the next reception.</Alert>}
    </Box>
  );
}
