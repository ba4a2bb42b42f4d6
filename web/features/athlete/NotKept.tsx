import Alert from '@mui/material/Alert';

/** Why an answer could neither be kept nor sent; it is still on the screen. */
export function NotKept({ why }: { why: string | null }) {
  return why === null ? null : (
    <Alert severity="error" sx={{ mt: 1 }}>
      {why}
    </Alert>
  );
}
