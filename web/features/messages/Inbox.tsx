import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';

import type { Schemas } from '../../api/client';
import { since } from '../../shell/dates';
import { Empty, Failed, Loading } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';
import { IfMay } from '../../shell/IfMay';
import { Conversation, unanswered } from './Conversation';
import { useConversation, useThreads } from './useMessages';
import { WriteForm } from './WriteForm';

type Thread = Schemas['Thread'];

/** What athletes and practice wrote to each other: what waits for an answer first, and the answer in place. */
export function Inbox() {
  const [query, setQuery] = useSearchParams();
  const which = query.get('which') === 'all' ? 'all' : 'waiting';
  const [search, setSearch] = useState('');
  const settled = useSettled(search).trim();
  const found = useThreads(which, settled);
  const threads = found.data?.threads ?? [];
  const wanted = query.get('case');
  // One that was answered leaves the waiting ones; it stays open until another is chosen.
  const [kept, setKept] = useState<Thread | null>(null);
  const open = threads.find((thread) => thread.case === (kept?.case ?? wanted)) ?? kept ?? threads[0] ?? null;
  if (open !== null && open.case !== kept?.case) setKept(open);
  const choose = (thread: Thread) => {
    setKept(thread);
    setQuery({ ...(which === 'all' ? { which } : {}), case: thread.case }, { replace: true });
  };
  return (
    <Box component="main" sx={{ maxWidth: 1240, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Messages{found.data !== undefined && found.data.waiting > 0 && ` · ${found.data.waiting} waiting`}
        </Typography>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={which}
          aria-label="Which messages"
          onChange={(_, next: 'waiting' | 'all' | null) => {
            if (next === null) return;
            setKept(null);
            setQuery(next === 'all' ? { which: next } : {}, { replace: true });
          }}
        >
          <ToggleButton value="waiting">Waiting for an answer</ToggleButton>
          <ToggleButton value="all">All</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          label="Search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          sx={{ width: 220 }}
        />
      </Box>
      {found.isPending && <Loading what="the messages" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {found.data !== undefined && open === null && (
        <Empty
          title={
            settled !== ''
              ? 'Nobody matches'
              : which === 'waiting'
                ? 'Nobody is waiting for an answer'
                : 'Nothing was written yet'
          }
        >
          {which === 'waiting' && settled === '' && (
            <Button onClick={() => setQuery({ which: 'all' })}>Show all messages</Button>
          )}
        </Empty>
      )}
      {open !== null && (
        <Box
          sx={{
            display: 'grid',
            gap: 1.5,
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '320px minmax(0, 1fr)' },
            alignItems: 'start',
          }}
        >
          <Paper variant="outlined" component="nav" aria-label="Threads" sx={{ overflow: 'hidden' }}>
            {threads.length === 0 && (
              <Typography color="textSecondary" sx={{ p: 1.5 }}>
                Nobody is waiting for an answer.
              </Typography>
            )}
            {threads.map((thread) => (
              <ThreadLine
                key={thread.case}
                one={thread}
                open={thread.case === open.case}
                onChoose={() => choose(thread)}
              />
            ))}
            {found.data?.more === true && (
              <Typography variant="body2" color="textSecondary" sx={{ p: 1.5 }}>
                There are more: search by name, act or structure.
              </Typography>
            )}
          </Paper>
          <OpenThread key={open.case} thread={open} />
        </Box>
      )}
    </Box>
  );
}

function ThreadLine({ one, open, onChoose }: { one: Thread; open: boolean; onChoose: () => void }) {
  return (
    <ButtonBase
      onClick={onChoose}
      aria-current={open ? 'true' : undefined}
      sx={{
        display: 'block',
        width: '100%',
        textAlign: 'left',
        px: 1.5,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        borderLeft: 4,
        borderLeftColor: open ? 'primary.main' : 'transparent',
        bgcolor: open ? 'action.selected' : undefined,
      }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Typography noWrap sx={{ flex: 1, fontWeight: one.asked_at === null ? 400 : 600 }}>
          {one.athlete}
        </Typography>
        <Typography variant="caption" color="textSecondary" sx={{ whiteSpace: 'nowrap' }}>
          {since(one.asked_at ?? one.last.at)}
        </Typography>
      </Box>
      <Typography variant="body2" color="textSecondary" noWrap>
        {one.structure}
        {one.closed_on === null ? '' : ', closed'}
      </Typography>
      <Typography variant="body2" noWrap>
        {one.last.kind === 'flare' && (
          <Box component="b" sx={{ color: 'stop.main' }}>
            Flare{one.last.pain === null ? '' : `, pain ${one.last.pain} of 10`}:{' '}
          </Box>
        )}
        {one.last.own ? '' : `${one.last.by}: `}
        {one.last.words}
      </Typography>
    </ButtonBase>
  );
}

function OpenThread({ thread }: { thread: Thread }) {
  const found = useConversation(thread.case);
  return (
    <Paper variant="panel" component="section" aria-label={`Messages with ${thread.athlete}`}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <Typography variant="h2">{thread.athlete}</Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {thread.structure}, {thread.side === 'both' ? 'both sides' : thread.side}
        </Typography>
        <Button component={RouterLink} to={`/cases/${thread.case}`}>
          Open the case
        </Button>
      </Box>
      {found.isPending && <Loading what="what was written" />}
      {found.isError && <Failed problem={found.error} onRetry={() => void found.refetch()} />}
      {found.data !== undefined && (
        <>
          <IfMay what="decide">
            <WriteForm id={thread.case} name={thread.athlete} waiting={unanswered(found.data.messages)} />
          </IfMay>
          <Conversation messages={found.data.messages} today={found.data.today} />
        </>
      )}
    </Paper>
  );
}
