import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { api, Refusal, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import type { TodayData } from '../../phone/plan';
import type { Due } from '../../phone/usePhone';
import { day } from '../../shell/dates';
import { TextInput } from '../../shell/TextInput';

const LONGEST = 200;

/** Another day for a session: at once where nothing speaks against it, else the practitioner is asked. */
export default function OtherDay({
  plan,
  session,
  onClose,
  onDone,
}: {
  plan: TodayData;
  session: Due;
  onClose: () => void;
  onDone: (words: string) => void;
}) {
  const queries = useQueryClient();
  const [id] = useState(() => crypto.randomUUID());
  const [why, setWhy] = useState('');
  const [chosen, setChosen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const found = useQuery({
    queryKey: queryKeys.otherDays(session.planned, session.on),
    queryFn: () =>
      send(() =>
        api.GET('/api/today/planned/{id}/days', {
          params: { path: { id: session.planned }, query: { case: plan.case } },
        }),
      ),
    retry: false,
    gcTime: 0,
  });
  const move = useMutation({
    mutationFn: (on: string) =>
      send(() =>
        api.PUT('/api/today/moves/{id}', {
          params: { path: { id }, query: { case: plan.case } },
          body: { planned: session.planned, on, why: why.trim() === '' ? null : why.trim() },
        }),
      ),
    // The session is in another row by then, so the message about it is shown above the days.
    onSuccess: ({ moved }, on) => {
      onDone(
        `${session.title}: ${moved ? `moved to ${day(on)}.` : `asked for ${day(on)}. It stays where it is until your practitioner answers.`}`,
      );
      return queries.invalidateQueries({ queryKey: queryKeys.today });
    },
  });
  const fault = why.length > LONGEST ? `At most ${LONGEST} letters; these are ${why.length}` : undefined;
  const messageOf = (error: Error) =>
    error instanceof Refusal
      ? error.isAway
        ? 'This needs reception. Try it again when you have some.'
        : (Object.values(error.fields)[0] ?? error.message)
      : 'That did not work. Try it again.';
  const choices = found.data?.choices ?? [];
  const fits = choices.filter((choice) => choice.free);
  const others = choices.filter((choice) => !choice.free);
  const option = choices.find((choice) => choice.on === chosen);
  return (
    <Box
      component="section"
      aria-label={`Another day for ${session.title}, ${day(session.on)}`}
      sx={{ display: 'grid', gap: 1, py: 1 }}
    >
      {found.isPending && <Typography role="status">Looking for days …</Typography>}
      {found.error !== null && <Alert severity="warning">{messageOf(found.error)}</Alert>}
      {found.data !== undefined && (
        <>
          <Typography>{fits.length === 0 ? 'No other day fits by itself.' : 'These days fit:'}</Typography>
          <Box
            sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(min(8.5rem, 100%), 1fr))', gap: 1 }}
          >
            {fits.map((choice) => (
              <Button
                key={choice.on}
                variant={choice.on === chosen ? 'contained' : 'outlined'}
                aria-pressed={choice.on === chosen}
                onClick={() => setChosen(choice.on)}
                size="large"
              >
                {day(choice.on)}
              </Button>
            ))}
          </Box>
          {!all && others.length > 0 && (
            <Button onClick={() => setAll(true)}>
              {fits.length === 0 ? 'Ask for another day anyway' : 'None of them: ask for another'}
            </Button>
          )}
          {all &&
            others.map((choice) => (
              <Button
                key={choice.on}
                variant="outlined"
                color="inherit"
                aria-pressed={choice.on === chosen}
                onClick={() => setChosen(choice.on)}
                size="large"
                sx={{
                  display: 'block',
                  textAlign: 'left',
                  borderWidth: choice.on === chosen ? 3 : 1,
                  borderColor: choice.on === chosen ? 'primary.main' : 'line.main',
                }}
              >
                {choice.on === chosen && <span aria-hidden="true">✓ </span>}
                {day(choice.on)}
                <Box component="span" sx={{ display: 'block', fontSize: '0.875rem', fontWeight: 400 }}>
                  {choice.words.join(' ')}
                </Box>
              </Button>
            ))}
          {option !== undefined && (
            <>
              <TextInput label="Why (may be left empty)" value={why} onChange={setWhy} fault={fault} />
              {move.error !== null && <Alert severity="error">{messageOf(move.error)}</Alert>}
              <Button
                variant="contained"
                loading={move.isPending}
                disabled={fault !== undefined}
                onClick={() => move.mutate(option.on)}
                size="large"
              >
                {option.free ? `Move it to ${day(option.on)}` : `Ask for ${day(option.on)}`}
              </Button>
            </>
          )}
        </>
      )}
      <Button onClick={onClose}>Leave it where it is</Button>
    </Box>
  );
}
