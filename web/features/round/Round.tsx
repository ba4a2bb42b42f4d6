import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useRef, useState } from 'react';
import { Link as RouterLink, useNavigate, useSearchParams } from 'react-router';

import { useKey } from '../../shell/keys';
import { Empty, Failed, Loading } from '../../shell/States';
import { useSettled } from '../../shell/useSettled';
import { useMay } from '../../shell/useSignedIn';
import { AcceptDialog } from '../case/AcceptDialog';
import { type Done, UndoBar } from '../case/UndoBar';
import { AskedPanel } from './AskedPanel';
import { Filters } from './Filters';
import { GROUPS } from './groups';
import { NudgeDialog } from './NudgeDialog';
import { OtherCases } from './OtherCases';
import { RoundLine } from './RoundLine';
import { EVERYTHING, type Narrowing, narrowingOf, type RoundCase, useRound } from './useRound';

export function Round() {
  // In the address, so that going back from a case finds the Round as it was left.
  const [params, setParams] = useSearchParams();
  const [narrowing, setNarrowed] = useState(() => narrowingOf(params));
  const setNarrowing = (next: Narrowing) => {
    setNarrowed(next);
    setParams(Object.fromEntries(Object.entries(next).filter(([, value]) => value !== '')), { replace: true });
  };
  const round = useRound(useSettled(narrowing));
  const [here, setHere] = useState<string | null>(null);
  const [accepting, setAccepting] = useState<string | null>(null);
  const [nudging, setNudging] = useState<string | null>(null);
  const [done, setDone] = useState<Done | null>(null);
  const [elsewhere, setElsewhere] = useState(false);
  const may = useMay();
  const search = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();

  const lines = useMemo(() => round.data?.pages.flatMap((page) => page.cases) ?? [], [round.data]);
  const first = round.data?.pages[0];
  const at = Math.max(
    0,
    lines.findIndex((line) => line.id === here),
  );
  const now: RoundCase | undefined = lines[at];
  // A line that is decided leaves its place; the cursor stays there, on the next one.
  const after = lines[at + 1]?.id ?? lines[at - 1]?.id ?? null;
  const narrowed = Object.values(narrowing).some((value) => value !== '');

  const decides = may('decide') && now !== undefined;
  useKey('/', () => search.current?.focus());
  useKey('j', () => setHere(lines[Math.min(at + 1, lines.length - 1)]?.id ?? null));
  useKey('k', () => setHere(lines[Math.max(at - 1, 0)]?.id ?? null));
  useKey('a', () => setAccepting(now?.id ?? null), decides && now.standing.acceptable);
  useKey('n', () => setNudging(now?.id ?? null), decides && now.standing.group === 'silent');
  useKey('c', () => void navigate(`/cases/${now?.id ?? ''}/prescribe?proposal=1`), decides && now.closed_on === null);
  useKey('o', () => void navigate(`/cases/${now?.id ?? ''}`), now !== undefined);

  if (round.isPending) return <Loading what="the Round" />;
  if (first === undefined) return <Failed problem={round.error} onRetry={() => void round.refetch()} />;
  const total = Object.values(first.groups).reduce((sum, count) => sum + count, 0);
  if (total === 0 && !narrowed) {
    return (
      <Empty title="No open case yet">
        <Typography sx={{ mb: 2 }}>
          Add an athlete and open the first case; it will stand here under the decision it needs.
        </Typography>
        <Button component={RouterLink} to="/new" variant="contained">
          New case
        </Button>
      </Empty>
    );
  }
  const waiting = total - (first.groups.on_course ?? 0);
  const more = first.all_counted ? '' : 'more than ';

  return (
    <Box component="main" sx={{ px: 2, pb: 3, opacity: round.isPlaceholderData ? 0.6 : 1 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1, whiteSpace: 'nowrap' }}>
          Round
          <Typography component="span" color="textSecondary" sx={{ ml: 1.5 }}>
            {waiting} of {more}
            {total} {total === 1 ? 'case needs' : 'cases need'} you
          </Typography>
        </Typography>
        <Filters
          narrowing={narrowing}
          onChange={(change) => setNarrowing({ ...narrowing, ...change })}
          search={search}
        />
      </Box>
      {round.isError && <Failed problem={round.error} onRetry={() => void round.refetch()} />}
      <AskedPanel asked={first.asked} />
      {lines.length === 0 && (
        <Empty title="No case matches">
          <Button onClick={() => setNarrowing(EVERYTHING)}>Show all</Button>
          {may('decide') && narrowing.search.trim().length > 2 && (
            <Button onClick={() => setElsewhere(true)}>Look among cases of colleagues …</Button>
          )}
        </Empty>
      )}
      {GROUPS.map(({ key, title, tone, means }) => {
        const members = lines.filter((line) => line.standing.group === key);
        return members.length === 0 ? null : (
          <Box component="section" key={key} aria-label={title} sx={{ mt: 0.5 }}>
            <Typography variant="h3" component="h2" title={means} sx={{ color: tone, px: 1, lineHeight: 1.45 }}>
              {title} · {Math.max(first.groups[key] ?? 0, members.length)}
              {first.all_counted || key !== lastOf(first.groups) ? '' : '+'}
            </Typography>
            {members.map((line) => (
              <RoundLine
                key={line.id}
                line={line}
                here={line.id === now?.id}
                onAccept={() => setAccepting(line.id)}
                onNudge={() => setNudging(line.id)}
              />
            ))}
          </Box>
        );
      })}
      {round.hasNextPage && (
        <Box sx={{ textAlign: 'center', mt: 1 }}>
          <Button variant="outlined" loading={round.isFetchingNextPage} onClick={() => void round.fetchNextPage()}>
            Show more cases
          </Button>
        </Box>
      )}
      {elsewhere && <OtherCases search={narrowing.search.trim()} onClose={() => setElsewhere(false)} />}
      {accepting !== null && (
        <AcceptDialog
          id={accepting}
          onClose={() => setAccepting(null)}
          onDecided={(what) => {
            setHere(after);
            setDone(what);
          }}
        />
      )}
      {nudging !== null && (
        <NudgeDialog id={nudging} onClose={() => setNudging(null)} onDone={(words) => setDone({ words })} />
      )}
      <UndoBar done={done} onChange={setDone} />
    </Box>
  );
}

/** The group that a bounded count breaks off in. */
const lastOf = (groups: Readonly<Record<string, number>>): string | undefined =>
  GROUPS.filter(({ key }) => (groups[key] ?? 0) > 0).at(-1)?.key;
