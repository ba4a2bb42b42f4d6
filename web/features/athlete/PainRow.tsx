import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';

const PAIN: Readonly<Record<number, string>> = { 0: 'none', 3: 'mild', 5: 'clear', 8: 'severe' };

/** One tap on a row from 0 to 10. */
export function PainRow({ label, value, choose, fault, words = PAIN }: { label: string; value: number | null; choose: (value: number) => void; fault?: string | undefined; words?: Readonly<Record<number, string>> }) {
  return (
    <Box role="radiogroup" aria-label={label}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(6, 1fr)', gap: 0.75 }}>
        {Array.from({ length: 11 }, (_, i) => (
          <ButtonBase
            key={i}
            role="radio"
            aria-checked={value === i}
            aria-label={words[i] === undefined ? String(i) : `${i}, ${words[i]}`}
            onClick={() => choose(i)}
            sx={{
              minHeight: 52, borderRadius: 1.5, border: 2, flexDirection: 'column', fontSize: 20, fontWeight: 600,
              borderColor: value === i ? 'primary.main' : 'divider',
              bgcolor: value === i ? 'primary.main' : 'background.paper',
              color: value === i ? 'primary.contrastText' : 'text.primary',
            }}
          >
            {i}
            <Box component="span" sx={{ fontSize: 12, fontWeight: 400, lineHeight: 1 }}>{words[i] ?? ''}</Box>
          </ButtonBase>
        ))}
      </Box>
      {fault !== undefined && <Typography color="error" sx={{ mt: 0.5 }}>{fault}</Typography>}
    </Box>
  );
}
