import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';

import { faultAt, Refusal } from '../../api/client';
import { useAnswer } from './useMessages';

const LONGEST = 1000;

/** Writes to the athlete. What stood on the screen as unanswered counts as answered with it; what comes in meanwhile still waits. */
export function WriteForm({ id, name, waiting }: { id: string; name: string; waiting: string[] }) {
  const [words, setWords] = useState('');
  const answer = useAnswer(id);
  const isAnswer = waiting.length > 0;
  const fault =
    words.length > LONGEST ? `At most ${LONGEST} letters; these are ${words.length}` : faultAt(answer.error, 'words');
  const submit = (text: string) => answer.mutate({ words: text, seen: waiting }, { onSuccess: () => setWords('') });
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        submit(words);
      }}
      sx={{ display: 'grid', gap: 1, my: 1 }}
    >
      <TextField
        label={isAnswer ? `Answer ${name}` : `Write to ${name}`}
        multiline
        minRows={2}
        value={words}
        onChange={(event) => setWords(event.target.value)}
        error={fault !== undefined}
        helperText={fault ?? 'It shows on the athlete’s phone.'}
      />
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          type="submit"
          variant="contained"
          loading={answer.isPending}
          disabled={words.trim() === '' || words.length > LONGEST}
        >
          {isAnswer ? 'Answer' : 'Send'}
        </Button>
        {isAnswer && <Button onClick={() => submit('')}>Seen, answered otherwise</Button>}
      </Box>
      {answer.error !== null && fault === undefined && (
        <Alert severity="error">
          {answer.error instanceof Refusal
            ? answer.error.message
            : 'This could not be sent. It is still here; try again.'}
        </Alert>
      )}
    </Box>
  );
}
