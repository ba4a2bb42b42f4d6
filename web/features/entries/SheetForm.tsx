import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { faultAt } from '../../api/client';
import { moment } from '../../shell/dates';
import { Failed } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';
import {
  type DateForm,
  type Sheet,
  type SheetKind,
  type SheetPreview,
  useImports,
  useSheet,
  useTakeBack,
  useTakeIn,
} from './useSheets';

const KINDS: Record<SheetKind, string> = {
  mornings: 'Mornings',
  exercises: 'Exercises',
  practice: 'Practice',
  tests: 'Tests',
};
const FORMS: Record<DateForm, string> = { ymd: 'year, month, day', dmy: 'day, month, year', mdy: 'month, day, year' };
/** Rows that are shown; those that are wrong come first. */
const SHOWN = 60;

const EMPTY: Sheet = { kind: 'mornings', text: '', columns: null, dates: null };

/** Entries out of a spreadsheet: columns matched, rows looked at, taken in as a whole and back in one go. */
export function SheetForm({ id }: { id: string }) {
  const [sheet, setSheet] = useState<Sheet>(EMPTY);
  const [as, setAs] = useState(() => crypto.randomUUID());
  const settled = useSettled(sheet);
  const found = useSheet(id, settled);
  const take = useTakeIn(id);
  const preview = sheet.text.trim() === '' ? undefined : found.data;
  const change = (next: Partial<Sheet>) => {
    setSheet({ ...sheet, ...next });
    take.reset();
  };
  const choose = async (file: File | undefined) => {
    if (file !== undefined) change({ text: await file.text(), columns: null, dates: null });
  };
  const isSettled = settled === sheet && !found.isFetching;
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Typography variant="body2" color="textSecondary">
        Save the sheet as CSV and choose it, or copy its cells and paste them, with the names of the columns on top.
        Nothing is stored before you have looked at every row.
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={sheet.kind}
        aria-label="What the sheet holds"
        onChange={(_, kind: SheetKind | null) => {
          if (kind !== null) change({ kind, columns: null, dates: null });
        }}
      >
        {Object.entries(KINDS).map(([kind, title]) => (
          <ToggleButton key={kind} value={kind}>
            {title}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
        <TextField
          label="Sheet"
          multiline
          minRows={3}
          maxRows={6}
          fullWidth
          value={sheet.text}
          onChange={(event) => change({ text: event.target.value, columns: null, dates: null })}
          error={faultAt(found.error, 'text') !== undefined}
          helperText={faultAt(found.error, 'text')}
          slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: 'monospace', fontSize: '0.8125rem' } } }}
        />
        <Button component="label" variant="outlined" sx={{ flexShrink: 0 }}>
          Choose a file
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            hidden
            aria-label="Sheet as a file"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              void choose(file);
            }}
          />
        </Button>
      </Box>
      {found.isError && faultAt(found.error, 'text') === undefined && <Failed problem={found.error} />}
      {preview !== undefined && <Match preview={preview} sheet={sheet} onChange={change} />}
      {preview?.missing.length === 0 && <Rows preview={preview} />}
      {preview?.missing.length === 0 && (
        <Box>
          <Button
            variant="contained"
            disabled={!isSettled || preview.new === 0 || preview.faulty > 0}
            loading={take.isPending}
            onClick={() =>
              take.mutate(
                { sheet, as },
                {
                  onSuccess: () => {
                    setSheet({ ...EMPTY, kind: sheet.kind });
                    setAs(crypto.randomUUID());
                  },
                },
              )
            }
          >
            {preview.new === 1 ? 'Import one entry' : `Import ${preview.new} entries`}
          </Button>
          {preview.faulty > 0 && (
            <Typography variant="body2" sx={{ mt: 0.5, color: 'error.main' }}>
              {preview.faulty === 1 ? 'One row is wrong' : `${preview.faulty} rows are wrong`}: correct the sheet above,
              or match its columns again. It is imported as a whole or not at all.
            </Typography>
          )}
        </Box>
      )}
      {take.isError && <Failed problem={take.error} />}
      {take.isSuccess && (
        <Alert severity="success">
          {take.data.stored === 1 ? 'One entry was imported.' : `${take.data.stored} entries were imported.`} The case
          is judged again.
        </Alert>
      )}
      <Taken id={id} />
    </Box>
  );
}

/** Which column says what, and how it writes dates. */
function Match({
  preview,
  sheet,
  onChange,
}: {
  preview: SheetPreview;
  sheet: Sheet;
  onChange: (next: Partial<Sheet>) => void;
}) {
  const chosen = Object.fromEntries(preview.fields.map((field) => [field.key, field.column]));
  return (
    <Box
      role="group"
      aria-label="Which column says what"
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fill, minmax(170px, 1fr))' }}
    >
      {preview.fields.map((field) => (
        <TextField
          key={field.key}
          select
          size="small"
          label={field.title}
          value={field.column ?? ''}
          required={field.required}
          error={field.required && field.column === null}
          helperText={field.required && field.column === null ? 'Choose its column' : undefined}
          onChange={(event) =>
            onChange({
              columns: { ...chosen, [field.key]: event.target.value === '' ? null : Number(event.target.value) },
            })
          }
        >
          <MenuItem value="">{field.required ? 'choose …' : 'no column'}</MenuItem>
          {preview.columns.map((name, i) => (
            <MenuItem key={i} value={i}>
              {name === '' ? `Column ${i + 1}` : name}
            </MenuItem>
          ))}
        </TextField>
      ))}
      {preview.date_forms.length > 1 && (
        <TextField
          select
          size="small"
          label="Days are written as"
          value={preview.dates ?? ''}
          onChange={(event) => onChange({ columns: sheet.columns ?? chosen, dates: event.target.value as DateForm })}
          helperText="Either is possible: choose one"
        >
          {preview.date_forms.map((form) => (
            <MenuItem key={form} value={form}>
              {FORMS[form]}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}

function Rows({ preview }: { preview: SheetPreview }) {
  const rows = [...preview.entries].sort(
    (a, b) => Number(b.fault !== null) - Number(a.fault !== null) || a.line - b.line,
  );
  return (
    <Box
      component="table"
      aria-label="What the rows come to"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: '0.875rem',
        '& td, & th': {
          textAlign: 'left',
          borderTop: 1,
          borderColor: 'divider',
          py: 0.25,
          pr: 1,
          verticalAlign: 'top',
        },
        '& th': { fontWeight: 400, color: 'text.secondary', whiteSpace: 'nowrap' },
      }}
    >
      <tbody>
        {rows.slice(0, SHOWN).map((row) => (
          <tr key={row.line}>
            <th scope="row">Line {row.line}</th>
            <Box
              component="td"
              sx={{ color: row.fault !== null ? 'error.main' : row.there ? 'text.secondary' : 'text.primary' }}
            >
              {row.fault ?? row.words}
              {row.fault === null && row.there && ' · is there already, left out'}
            </Box>
          </tr>
        ))}
        {rows.length > SHOWN && (
          <tr>
            <td />
            <td>and {rows.length - SHOWN} more</td>
          </tr>
        )}
      </tbody>
    </Box>
  );
}

/** The sheets that came in, each to be taken back whole. */
function Taken({ id }: { id: string }) {
  const found = useImports(id);
  const back = useTakeBack(id);
  const imports = found.data?.imports ?? [];
  if (imports.length === 0) return null;
  return (
    <Box component="section" aria-label="Imported sheets">
      <Typography variant="h3">Imported sheets</Typography>
      {back.isError && <Failed problem={back.error} />}
      {imports.map((taken) => (
        <Box
          key={taken.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: 1, borderColor: 'divider', py: 0.5 }}
        >
          <Typography variant="body2" sx={{ flex: 1 }}>
            {KINDS[taken.kind]}: {taken.entries === 1 ? 'one entry' : `${taken.entries} entries`}, {taken.by},{' '}
            {moment(taken.at)}
            {taken.taken_back_at !== null && ' · taken back'}
          </Typography>
          {taken.taken_back_at === null && (
            <Button
              size="small"
              loading={back.isPending && back.variables === taken.id}
              onClick={() => back.mutate(taken.id)}
            >
              Take back
            </Button>
          )}
        </Box>
      ))}
    </Box>
  );
}
