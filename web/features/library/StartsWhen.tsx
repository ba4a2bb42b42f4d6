import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

import { Fields, textAt, useEditing } from './editing';
import { at, type Path, replaced } from './tree';

/** What an exercise may wait for, with what is meant where it is chosen. */
export const CONDITIONS = {
  stage_week: { title: 'in a week of the stage', fresh: { stage_week: 2 } },
  finding: { title: 'once something is found beside it', fresh: null },
  others: { title: 'once the others reach their upper end', fresh: { others: 'full' } },
} as const;

type Condition = keyof typeof CONDITIONS;

/** What an exercise waits for. */
export function StartsWhen({ path, value }: { path: Path; value: unknown }) {
  const { library, own, faults, put, reshape } = useEditing();
  const condition: Condition =
    (['stage_week', 'finding'] as const).find((kind) => at(value, [kind]) !== undefined) ?? 'others';
  const place = [...path, 'finding'];
  const fault = faults[place.join('.')];
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25, mb: 1.25 }}>
      <TextField
        select
        label="Begins"
        disabled={!own}
        value={condition}
        onChange={(event) => {
          const { fresh } = CONDITIONS[event.target.value as Condition];
          reshape((now) => replaced(now, path, fresh ?? { finding: library.findings[0]?.key ?? '' }));
        }}
        error={faults[path.join('.')] !== undefined}
        helperText={faults[path.join('.')]}
        sx={{ width: 290 }}
      >
        {Object.entries(CONDITIONS).map(([key, { title }]) => (
          <MenuItem key={key} value={key}>
            {title}
          </MenuItem>
        ))}
      </TextField>
      {condition === 'stage_week' && <Fields of={path} value={value} width={140} />}
      {condition === 'finding' && (
        <TextField
          select
          label="Found"
          disabled={!own}
          value={textAt(value, ['finding'])}
          onChange={(event) => put(place, event.target.value)}
          error={fault !== undefined}
          helperText={fault}
          sx={{ width: 290 }}
        >
          {library.findings.map(({ key, words }) => (
            <MenuItem key={key} value={key}>
              {words}
            </MenuItem>
          ))}
        </TextField>
      )}
    </Box>
  );
}
