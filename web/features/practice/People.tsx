import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';

import { api, type Schemas, send } from '../../api/client';
import { queryKeys } from '../../api/queryKeys';
import { moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { stackedOnPhones } from '../../shell/tables';
import { AccessRules } from './AccessRules';
import { ChangeRole } from './ChangeRole';
import { InviteColleague, TheLink } from './InviteColleague';
import { Leaving } from './Leaving';
import { RolesTable } from './RolesTable';

export type Practice = Schemas['People'];
export type Member = Schemas['StaffMember'];

const STATES = { active: '', invited: 'invited, not here yet', suspended: 'suspended', left: 'has left' } as const;

type Open = { dialog: 'invite' } | { dialog: 'leave' | 'role'; member: Member } | null;

/** Who works in the practice, what each may do, and how they sign in; for its owner. */
export function People() {
  const found = useQuery({ queryKey: queryKeys.people, queryFn: () => send(() => api.GET('/api/practice/people')) });
  const queries = useQueryClient();
  const [open, setOpen] = useState<Open>(null);
  const [link, setLink] = useState<{ name: string; link: string } | null>(null);
  const set = (answer: Practice) => {
    queries.setQueryData(queryKeys.people, answer);
  };
  const act = useMutation({ mutationFn: (does: () => Promise<Practice>) => does(), onSuccess: set });
  const again = useMutation({
    mutationFn: (member: Member) =>
      send(() => api.POST('/api/practice/people/{person}/invitation', { params: { path: { person: member.id } } })),
    onSuccess: (answer, member) => {
      set(answer);
      setLink({ name: member.name, link: answer.link });
    },
  });
  const seen = useMutation({
    mutationFn: (share: string) =>
      send(() => api.POST('/api/practice/opened/{share}/seen', { params: { path: { share } } })),
    onSuccess: set,
  });
  if (found.isPending) return <Loading what="the people" />;
  if (found.isError) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  const problem = act.error ?? again.error ?? seen.error;
  const here = found.data.people.filter((person) => person.state !== 'left');
  const left = found.data.people.filter((person) => person.state === 'left');
  return (
    <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'minmax(0, 1fr)' }}>
      {found.data.opened.map((look) => (
        <Alert
          key={look.id}
          severity="warning"
          action={
            <>
              <Button component={RouterLink} to={`/cases/${look.case}`}>
                The case
              </Button>
              <Button loading={seen.isPending && seen.variables === look.id} onClick={() => seen.mutate(look.id)}>
                Seen
              </Button>
            </>
          }
        >
          <b>
            {look.person} opened the case of {look.athlete}
          </b>
          , which is not theirs, on {moment(look.at)}: “{look.reason}”
        </Alert>
      ))}
      <Paper variant="outlined" component="section" aria-label="People" sx={{ p: 2.5 }}>
        <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
          <Typography variant="h1" component="h2" sx={{ flex: 1 }}>
            People
          </Typography>
          <Button variant="contained" onClick={() => setOpen({ dialog: 'invite' })}>
            Invite a colleague …
          </Button>
        </Box>
        {link !== null && <TheLink of={link} onClose={() => setLink(null)} />}
        {problem !== null && <Failed problem={problem} />}
        <TableContainer>
          <Table size="small" sx={stackedOnPhones}>
            <TableHead>
              <TableRow>
                <TableCell>Name</TableCell>
                <TableCell>Role</TableCell>
                <TableCell align="right">Open cases</TableCell>
                <TableCell>Second factor</TableCell>
                <TableCell>Last here</TableCell>
                <TableCell />
              </TableRow>
            </TableHead>
            <TableBody>
              {here.map((item) => (
                <TableRow key={item.id} sx={item.state === 'active' ? {} : { '& td': { color: 'text.secondary' } }}>
                  <TableCell>
                    <Typography variant="subtitle1">
                      {item.name}
                      {item.is_you && ' (you)'}
                    </Typography>
                    <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                      {item.email}
                    </Typography>
                  </TableCell>
                  <TableCell>
                    {roleTitle(found.data, item)}
                    {STATES[item.state] !== '' && (
                      <Typography variant="body2" color="watch">
                        {STATES[item.state]}
                      </Typography>
                    )}
                  </TableCell>
                  <TableCell align="right">
                    <OnPhones>Open cases: </OnPhones>
                    {item.assigned === null ? item.cases : `${item.assigned} assigned`}
                  </TableCell>
                  <TableCell>
                    <OnPhones>Second factor: </OnPhones>
                    {item.second_factor ? 'on' : 'off'}
                  </TableCell>
                  <TableCell>
                    <OnPhones>Last here: </OnPhones>
                    {item.signed_in_at === null ? 'never' : moment(item.signed_in_at)}
                  </TableCell>
                  <TableCell align="right">
                    <Acts
                      member={item}
                      onChangeRole={() => setOpen({ dialog: 'role', member: item })}
                      onLeave={() => setOpen({ dialog: 'leave', member: item })}
                      onInviteAgain={() => again.mutate(item)}
                      onAct={(does) => act.mutate(does)}
                    />
                  </TableCell>
                </TableRow>
              ))}
            </TableBody>
          </Table>
        </TableContainer>
        {left.length > 0 && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Left the practice: {left.map((item) => item.name).join(', ')}. To have somebody back, invite them again.
          </Typography>
        )}
      </Paper>
      <AccessRules practice={found.data} onChange={set} />
      <RolesTable practice={found.data} />
      {open?.dialog === 'invite' && (
        <InviteColleague
          practice={found.data}
          onClose={() => setOpen(null)}
          onDone={(name, answer) => {
            set(answer);
            setOpen(null);
            setLink({ name, link: answer.link });
          }}
        />
      )}
      {open?.dialog === 'role' && (
        <ChangeRole
          practice={found.data}
          member={open.member}
          onClose={() => setOpen(null)}
          onDone={(answer) => {
            set(answer);
            setOpen(null);
          }}
        />
      )}
      {open?.dialog === 'leave' && (
        <Leaving
          practice={found.data}
          member={open.member}
          onClose={() => setOpen(null)}
          onDone={(answer) => {
            set(answer);
            setOpen(null);
          }}
        />
      )}
    </Box>
  );
}

/** What the head of a column says, where there are no columns. */
function OnPhones({ children }: { children: string }) {
  return (
    <Box component="span" sx={{ display: { sm: 'none' }, color: 'text.secondary' }}>
      {children}
    </Box>
  );
}

const roleTitle = (practice: Practice, member: Member): string =>
  practice.roles.find((role) => role.key === member.role)?.title ?? member.role;

function Acts({
  member,
  onChangeRole,
  onLeave,
  onInviteAgain,
  onAct,
}: {
  member: Member;
  onChangeRole: () => void;
  onLeave: () => void;
  onInviteAgain: () => void;
  onAct: (does: () => Promise<Practice>) => void;
}) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const params = { path: { person: member.id } };
  const choices: [boolean, string, () => void][] = [
    [true, 'Change the role …', onChangeRole],
    [member.state === 'invited', 'Invite again', onInviteAgain],
    [
      member.state !== 'suspended',
      'Suspend: no access until you lift it',
      () => onAct(() => send(() => api.POST('/api/practice/people/{person}/suspension', { params }))),
    ],
    [
      member.state === 'suspended',
      'Let in again',
      () => onAct(() => send(() => api.DELETE('/api/practice/people/{person}/suspension', { params }))),
    ],
    [
      member.second_factor && !member.is_you,
      'Remove the second factor: the phone is lost',
      () => onAct(() => send(() => api.DELETE('/api/practice/people/{person}/second-factor', { params }))),
    ],
    [true, 'Leaves the practice …', onLeave],
  ];
  return (
    <>
      <Button
        aria-haspopup="menu"
        aria-expanded={at !== null}
        aria-label={`Change ${member.name}`}
        onClick={(event) => setAt(event.currentTarget)}
      >
        Change
      </Button>
      <Menu anchorEl={at} open={at !== null} onClose={() => setAt(null)}>
        {choices
          .filter(([offered]) => offered)
          .map(([, title, does]) => (
            <MenuItem
              key={title}
              onClick={() => {
                setAt(null);
                does();
              }}
            >
              {title}
            </MenuItem>
          ))}
      </Menu>
    </>
  );
}
