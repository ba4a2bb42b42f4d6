import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';

import { api, Refusal, type Schemas, send } from '../../api/client';
import { simulatedSetLog } from '../../gauge/repCounter';
import type { FromDevice } from './session';

/** The sets of an exercise out of a device's file, or of the simulated counter that ships. */
export function DeviceSets({
  id,
  title,
  dose,
  read,
  onTaken,
}: {
  id: string;
  title: string;
  dose: Schemas['Dose'];
  read: FromDevice | null;
  onTaken: (read: FromDevice | null) => void;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const look = useMutation({
    mutationFn: (text: string) =>
      send(() => api.POST('/api/cases/{case}/set-log', { params: { path: { case: id } }, body: { text } })),
    onSuccess: onTaken,
  });
  if (read !== null) {
    return (
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography variant="body2">
          {read.device ?? 'From a device'}: {read.words.join(' · ')}
        </Typography>
        <Button size="small" aria-label={`${title}: type instead`} onClick={() => onTaken(null)}>
          Type instead
        </Button>
      </Box>
    );
  }
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
      <Button
        size="small"
        aria-haspopup="menu"
        aria-label={`${title}: from a device`}
        loading={look.isPending}
        onClick={(event) => setAt(event.currentTarget)}
      >
        From a device …
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        <MenuItem
          onClick={() => {
            setAt(null);
            file.current?.click();
          }}
        >
          Its file …
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAt(null);
            look.mutate(simulatedSetLog(dose));
          }}
        >
          Simulated rep counter
        </MenuItem>
      </Menu>
      <input
        ref={file}
        type="file"
        accept=".json,.csv,application/json,text/csv"
        hidden
        aria-label={`${title}: file of a device`}
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          event.target.value = '';
          if (chosen !== undefined) void chosen.text().then((text) => look.mutate(text));
        }}
      />
      {look.isError && (
        <Typography variant="body2" role="alert" sx={{ color: 'error.main' }}>
          {look.error instanceof Refusal
            ? (Object.values(look.error.fields)[0] ?? look.error.message)
            : 'This file could not be read. Choose it again.'}
        </Typography>
      )}
    </Box>
  );
}
