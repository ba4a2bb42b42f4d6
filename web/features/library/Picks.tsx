import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';

interface Pick {
  key: string;
  title: string;
  version: number | null;
  what: string;
}

/** A list to choose one thing of the library from. */
export function Picks({
  label,
  picks,
  chosen,
  onChoose,
}: {
  label: string;
  picks: readonly Pick[];
  chosen: string;
  onChoose: (key: string) => void;
}) {
  return (
    <Paper variant="outlined" component="nav" aria-label={label}>
      {picks.map((pick) => (
        <Button
          key={pick.key}
          onClick={() => onChoose(pick.key)}
          aria-pressed={pick.key === chosen}
          fullWidth
          sx={{
            textAlign: 'left',
            px: 1.5,
            display: 'block',
            borderRadius: 0,
            color: 'text.primary',
            bgcolor: pick.key === chosen ? 'action.selected' : undefined,
          }}
        >
          {pick.title}
          <Typography
            component="span"
            variant="caption"
            sx={{ display: 'block', color: pick.key === chosen ? 'text.primary' : 'text.secondary' }}
          >
            {pick.what}
            {pick.version === null ? '' : ` · our own, version ${pick.version}`}
          </Typography>
        </Button>
      ))}
    </Paper>
  );
}
