import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Snackbar from '@mui/material/Snackbar';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link as RouterLink, useNavigate } from 'react-router';

import { api, type Schemas, send } from '../../api/client';
import { isTyping } from '../../shell/Frame';
import { Empty, Failed, Loading } from '../../shell/States';
import { AcceptDialog } from '../case/AcceptDialog';
import { GROUPS } from './groups';
import { RoundLine } from './RoundLine';

/** An athlete's answer shows on the Round within so many milliseconds. */
const LOOK_AGAIN = 5_000;

type RoundCase = Schemas['RoundCase'];

const matches = (line: RoundCase, words: string, practitioner: string, stage: string): boolean => {
  const text = `${line.athlete.name} ${line.athlete.act ?? ''} ${line.structure}`.toLowerCase();
  return words.toLowerCase().split(/\s+/).every((word) => text.includes(word))
    && (practitioner === '' || line.practitioner === practitioner)
    && (stage === '' || line.standing.stage.title === stage);
};

export function Round() {
  const round = useQuery({ queryKey: ['round'], queryFn: () => send(() => api.GET('/api/round')), refetchInterval: LOOK_AGAIN });
  const [words, setWords] = useState('');
  const [practitioner, setPractitioner] = useState('');
  const [stage, setStage] = useState('');
  const [at, setAt] = useState(0);
  const [accepting, setAccepting] = useState<string | null>(null);
  const [done, setDone] = useState<string | null>(null);
  const search = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();

  const all = useMemo(() => round.data?.cases ?? [], [round.data]);
  const lines = useMemo(() => all.filter((line) => matches(line, words, practitioner, stage)), [all, words, practitioner, stage]);
  const here = lines[Math.min(at, lines.length - 1)];

  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isTyping(event)) return;
      if (event.key === '/') {
        event.preventDefault();
        search.current?.focus();
      }
      if (event.key === 'j') setAt((i) => Math.min(i + 1, lines.length - 1));
      if (event.key === 'k') setAt((i) => Math.max(i - 1, 0));
      if (here === undefined) return;
      if (event.key === 'a' && here.standing.acceptable) setAccepting(here.id);
      if (event.key === 'c') void navigate(`/cases/${here.id}?change=1`);
      if (event.key === 'o') void navigate(`/cases/${here.id}`);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [lines, here, navigate]);

  if (round.isPending) return <Loading what="the Round" />;
  if (round.data === undefined) return <Failed problem={round.error} again={() => void round.refetch()} />;
  if (all.length === 0) {
    return (
      <Empty title="No open case yet">
        <Typography sx={{ mb: 2 }}>Add an athlete and open the first case; it will stand here under the decision it needs.</Typography>
        <Button component={RouterLink} to="/new" variant="contained">New case</Button>
      </Empty>
    );
  }
  const names = [...new Set(all.map((line) => line.practitioner))].sort();
  const stages = [...new Set(all.map((line) => line.standing.stage.title))];

  return (
    <Box component="main" sx={{ px: 2, pb: 3 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 1 }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Round
          <Typography component="span" color="textSecondary" sx={{ ml: 1.5 }}>
            {all.filter((line) => line.standing.group !== 'on_course').length} of {all.length} cases need you
          </Typography>
        </Typography>
        <TextField inputRef={search} label="Search" value={words} onChange={(event) => setWords(event.target.value)} sx={{ width: 190 }} />
        <TextField select label="Practitioner" value={practitioner} onChange={(event) => setPractitioner(event.target.value)} sx={{ width: 160 }}>
          <MenuItem value="">everyone</MenuItem>
          {names.map((name) => <MenuItem key={name} value={name}>{name}</MenuItem>)}
        </TextField>
        <TextField select label="Stage" value={stage} onChange={(event) => setStage(event.target.value)} sx={{ width: 150 }}>
          <MenuItem value="">every stage</MenuItem>
          {stages.map((title) => <MenuItem key={title} value={title}>{title}</MenuItem>)}
        </TextField>
      </Box>
      {round.isError && <Failed problem={round.error} again={() => void round.refetch()} />}
      {lines.length === 0 && <Empty title="No case matches"><Button onClick={() => { setWords(''); setPractitioner(''); setStage(''); }}>Show all</Button></Empty>}
      {GROUPS.map(({ key, title, tone }) => {
        const members = lines.filter((line) => line.standing.group === key);
        return members.length === 0 ? null : (
          <Box component="section" key={key} aria-label={title} sx={{ mt: 0.75 }}>
            <Typography variant="h3" component="h2" sx={{ color: tone, px: 1, mb: 0.25 }}>{title} · {members.length}</Typography>
            {members.map((line) => (
              <RoundLine key={line.id} line={line} here={line.id === here?.id} accept={() => setAccepting(line.id)} />
            ))}
          </Box>
        );
      })}
      {accepting !== null && (
        <AcceptDialog id={accepting} close={() => setAccepting(null)} decided={setDone} />
      )}
      <Snackbar open={done !== null} autoHideDuration={6000} onClose={() => setDone(null)} message={done} />
    </Box>
  );
}
