import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import type { KeyboardEvent, Ref } from 'react';

import { type Narrowing, useRoundFilters } from './useRound';

/** Enter and Escape leave the field with what is typed, so that the keys of the Round work again. */
const leave = (event: KeyboardEvent<HTMLElement>) => {
  if ((event.key === 'Enter' || event.key === 'Escape') && event.target instanceof HTMLElement) event.target.blur();
};

/** What the Round is narrowed to: by words, practitioner, structure, stage, an event this week. */
export function Filters({
  narrowing,
  onChange,
  search,
}: {
  narrowing: Narrowing;
  onChange: (change: Partial<Narrowing>) => void;
  search: Ref<HTMLInputElement>;
}) {
  const filters = useRoundFilters();
  const choices: ['practitioner' | 'structure' | 'stage', string, string, { key: string; title: string }[]][] = [
    ['practitioner', 'Practitioner', 'everyone', filters.data?.practitioners ?? []],
    ['structure', 'Structure', 'every structure', filters.data?.structures ?? []],
    ['stage', 'Stage', 'every stage', (filters.data?.stages ?? []).map((title) => ({ key: title, title }))],
  ];
  return (
    <Box
      role="search"
      aria-label="Narrow the Round"
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
    >
      <TextField
        inputRef={search}
        label="Search"
        value={narrowing.search}
        onChange={(event) => onChange({ search: event.target.value })}
        onKeyDown={leave}
        sx={{ width: 170 }}
      />
      {choices.map(([field, label, all, options]) => (
        <TextField
          key={field}
          select
          label={label}
          value={options.some(({ key }) => key === narrowing[field]) ? narrowing[field] : ''}
          onChange={(event) => onChange({ [field]: event.target.value })}
          sx={{ width: 142 }}
        >
          <MenuItem value="">{all}</MenuItem>
          {options.map(({ key, title }) => (
            <MenuItem key={key} value={key}>
              {title}
            </MenuItem>
          ))}
        </TextField>
      ))}
      <ToggleButton
        value="week"
        size="small"
        selected={narrowing.event === 'week'}
        onChange={() => onChange({ event: narrowing.event === 'week' ? '' : 'week' })}
        sx={{ height: 40, color: 'text.primary' }}
      >
        Event this week
      </ToggleButton>
    </Box>
  );
}
