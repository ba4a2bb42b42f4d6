import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';

import { Refusal } from '../../api/client';
import { IfMay } from '../../shell/IfMay';
import { useTakeInFile } from './useMeasures';

/** The sheet out as a table, and in from one: all of its rows or none. */
export function FileButtons({ id }: { id: string }) {
  const take = useTakeInFile(id);
  const faults = take.error instanceof Refusal ? Object.entries(take.error.fields) : [];
  return (
    <>
      <IfMay what="take-out">
        <Button component="a" href={`/api/cases/${id}/measures/file`} download="rung-measures.csv" variant="outlined">
          Save as a table (CSV)
        </Button>
      </IfMay>
      <IfMay what="enter">
        <Button component="label" variant="outlined" loading={take.isPending}>
          Import a table …
          <input
            type="file"
            accept="text/csv,.csv"
            hidden
            aria-label="Table of measures"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file !== undefined) void file.text().then((csv) => take.mutate(csv));
              event.target.value = '';
            }}
          />
        </Button>
      </IfMay>
      {take.isSuccess && (
        <Alert severity="success" onClose={() => take.reset()} sx={{ width: '100%', order: 1 }}>
          {take.data.stored === 0
            ? 'Nothing new: every row was there already.'
            : take.data.stored === 1
              ? '1 row imported.'
              : `${take.data.stored} rows imported.`}
        </Alert>
      )}
      {take.isError && (
        <Alert severity="error" onClose={() => take.reset()} sx={{ width: '100%', order: 1 }}>
          <b>Nothing was imported.</b>
          {faults.length === 0 ? (
            ` ${take.error.message}`
          ) : (
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {faults.slice(0, 12).map(([path, message]) => (
                <li key={path}>
                  {rowOf(path)}
                  {message}
                </li>
              ))}
            </Box>
          )}
        </Alert>
      )}
    </>
  );
}

/** "Row 3: " of a fault's place; the first row holds the names. */
const rowOf = (path: string): string => {
  const found = /^rows\.(\d+)\./.exec(path);
  return found === null ? '' : `Row ${Number(found[1]) + 2}: `;
};
