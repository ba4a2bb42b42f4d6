import FormControl from '@mui/material/FormControl';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import FormLabel from '@mui/material/FormLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';

import type { Schemas } from '../../api/client';
import type { Practice } from './People';

type Role = Schemas['Role'];

/** What somebody is in the practice, each role with what it is for. */
export function RoleChoice({
  practice,
  role,
  onChoose,
  fault,
}: {
  practice: Practice;
  role: Role;
  onChoose: (role: Role) => void;
  fault: string | undefined;
}) {
  return (
    <FormControl error={fault !== undefined}>
      <FormLabel id="role">In your practice</FormLabel>
      <RadioGroup aria-labelledby="role" value={role} onChange={(_, value) => onChoose(value as Role)}>
        {practice.roles
          .filter((other) => other.key !== 'athlete')
          .map((other) => (
            <FormControlLabel
              key={other.key}
              value={other.key}
              control={<Radio />}
              label={
                <>
                  <b>{other.title}.</b>{' '}
                  <Typography component="span" color="textSecondary">
                    {other.words}
                  </Typography>
                </>
              }
              sx={{ alignItems: 'flex-start', '& .MuiRadio-root': { pt: 0.25 }, mb: 0.75 }}
            />
          ))}
      </RadioGroup>
      {fault !== undefined && <FormHelperText>{fault}</FormHelperText>}
    </FormControl>
  );
}
