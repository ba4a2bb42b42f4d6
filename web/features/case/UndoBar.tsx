import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';

import { Refusal } from '../../api/client';
import { useKey } from '../../shell/keys';
import { useMay } from '../../shell/useSignedIn';
import { useUndo } from './useCase';

/** What was done last, and how to take it back. */
export interface Done {
  words: string;
  /** The decision that can be taken back. */
  undo?: { id: string; decision: string } | undefined;
}

/** Says what was done; `u` or its button takes it back, as long as the athlete has not acted on it, also after the page was loaded again. */
export function UndoBar({
  done,
  onChange,
  latest,
}: {
  done: Done | null;
  onChange: (done: Done | null) => void;
  latest?: Done | undefined;
}) {
  const undo = useUndo();
  const may = useMay();
  const back = done?.undo;
  const take = (): void => {
    if (back === undefined || undo.isPending) return;
    undo.mutate(back, {
      onSuccess: (answer) => onChange({ words: answer.words }),
      onError: (problem) =>
        onChange({ words: problem instanceof Refusal ? problem.message : 'This could not be taken back. Try again.' }),
    });
  };
  useKey(
    'u',
    () => {
      // After the page was left, the first press says what would be taken back.
      if (done === null && latest !== undefined) onChange(latest);
      else take();
    },
    may('decide'),
  );
  return (
    <Snackbar
      open={done !== null}
      autoHideDuration={back === undefined ? 6000 : 60_000}
      onClose={(_, reason) => {
        if (reason === 'timeout') onChange(null);
      }}
      message={done?.words}
      sx={{ '& .MuiSnackbarContent-root': { maxWidth: 720 } }}
      action={
        <>
          {may('decide') && back !== undefined && (
            <Button color="inherit" loading={undo.isPending} onClick={take}>
              Undo (u)
            </Button>
          )}
          <Button color="inherit" onClick={() => onChange(null)}>
            Close
          </Button>
        </>
      }
    />
  );
}
