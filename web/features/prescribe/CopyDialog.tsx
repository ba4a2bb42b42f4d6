import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

import { Failed, Loading } from '../../shell/States';
import type { PlanInForce } from './draft';
import { usePlan } from './usePlan';

type Item = PlanInForce['stages'][number]['prescriptions'][number];

/** Exercises of another case of the same structure, with the doses that stand there. */
export function CopyDialog({
  plan,
  onClose,
  onCopy,
}: {
  plan: PlanInForce;
  onClose: () => void;
  onCopy: (items: Item[]) => void;
}) {
  const [other, setOther] = useState('');
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="copy">
      <DialogTitle id="copy">Copy from another case</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
        {plan.others.length === 0 && (
          <Typography>No other case of the {plan.structure_title.toLowerCase()} yet.</Typography>
        )}
        {plan.others.length > 0 && (
          <TextField
            select
            label={`Cases of the ${plan.structure_title.toLowerCase()}`}
            value={other}
            onChange={(event) => setOther(event.target.value)}
          >
            {plan.others.map((source) => (
              <MenuItem key={source.key} value={source.key}>
                {source.title}
              </MenuItem>
            ))}
          </TextField>
        )}
        {other !== '' && <Exercises key={other} id={other} onCopy={onCopy} onClose={onClose} />}
      </DialogContent>
      {other === '' && (
        <DialogActions>
          <Button onClick={onClose}>Not now</Button>
        </DialogActions>
      )}
    </Dialog>
  );
}

function Exercises({ id, onCopy, onClose }: { id: string; onCopy: (items: Item[]) => void; onClose: () => void }) {
  const found = usePlan(id);
  const [stage, setStage] = useState<string | null>(null);
  const [left, setLeft] = useState<string[]>([]);
  if (found.isPending) return <Loading what="that plan" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  const stages = found.data.stages.filter((candidate) => candidate.prescriptions.length > 0);
  const shown = stages.find((candidate) => candidate.key === (stage ?? found.data.stage)) ?? stages[0];
  const items = shown?.prescriptions ?? [];
  const chosen = items.filter((item) => !left.includes(item.prescription.key));
  return (
    <>
      <TextField select label="Stage" value={shown?.key ?? ''} onChange={(event) => setStage(event.target.value)}>
        {stages.map((candidate) => (
          <MenuItem key={candidate.key} value={candidate.key}>
            {candidate.title}
            {candidate.key === found.data.stage ? ' (now)' : ''}
          </MenuItem>
        ))}
      </TextField>
      <Box>
        {items.map((item) => (
          <Box key={item.prescription.key}>
            <FormControlLabel
              control={
                <Checkbox
                  checked={!left.includes(item.prescription.key)}
                  onChange={() =>
                    setLeft((keys) =>
                      keys.includes(item.prescription.key)
                        ? keys.filter((key) => key !== item.prescription.key)
                        : [...keys, item.prescription.key],
                    )
                  }
                />
              }
              label={`${item.title}, ${item.words}`}
            />
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, justifyContent: 'flex-end' }}>
        <Button onClick={onClose}>Not now</Button>
        <Button variant="contained" disabled={chosen.length === 0} onClick={() => onCopy(chosen)}>
          Copy {chosen.length}
        </Button>
      </Box>
    </>
  );
}
