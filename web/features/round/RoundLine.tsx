import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useEffect, useRef } from 'react';
import { Link as RouterLink } from 'react-router';

import type { Schemas } from '../../api/client';
import { HookStrip } from '../../charts/Hook';
import { LyingLadder } from '../../charts/Ladder';
import { day, since } from '../../shell/dates';
import { useMay } from '../../shell/useSignedIn';

const DAYS = 14;

const side = { left: 'left', right: 'right', both: 'both sides' } as const;

/** One case on the Round: who, where on the ladder, two weeks, what is proposed and why. */
export function RoundLine({
  line,
  here,
  onAccept,
  onNudge,
}: {
  line: Schemas['RoundCase'];
  here: boolean;
  onAccept: () => void;
  onNudge: () => void;
}) {
  const standing = line.standing;
  const row = useRef<HTMLDivElement>(null);
  const may = useMay();
  useEffect(() => {
    if (here) row.current?.scrollIntoView({ block: 'nearest' });
  }, [here]);

  return (
    <Box
      ref={row}
      component="article"
      aria-label={line.athlete.name}
      aria-current={here}
      sx={{
        display: 'grid',
        gridTemplateColumns: {
          xs: '1fr auto',
          sm: 'minmax(0, 1fr) 164px 186px auto',
          md: '176px 164px 186px minmax(0, 1fr) 186px',
        },
        alignItems: 'center',
        columnGap: 1.5,
        px: 1,
        py: 0,
        minHeight: 48,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: here ? 'primary.main' : 'divider',
        borderRadius: 1,
        mb: 0.25,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Link
          component={RouterLink}
          to={`/cases/${line.id}`}
          color="inherit"
          underline="hover"
          noWrap
          sx={{ fontWeight: 600, display: 'block' }}
        >
          {line.athlete.name}
        </Link>
        <Typography
          variant="body2"
          color="textSecondary"
          noWrap
          sx={{ lineHeight: 1.2 }}
          title={`${line.structure}, ${side[line.side]}`}
        >
          {line.structure}, {side[line.side]}
        </Typography>
      </Box>
      <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
        <Typography variant="caption" color="textSecondary" noWrap sx={{ display: 'block', lineHeight: 1, mb: '-1px' }}>
          {standing.stage.title}
          {standing.event_on !== null && (
            <Box component="span" sx={{ color: 'text.primary' }} title={`The next event: ${day(standing.event_on)}`}>
              {' '}
              · event {day(standing.event_on).slice(0, 3)}
            </Box>
          )}
          {standing.tests_due.length > 0 && (
            <Box component="span" sx={{ color: 'watch.main' }} title={standing.tests_due.join('; ')}>
              {' '}
              · test due
            </Box>
          )}
        </Typography>
        <LyingLadder rungs={standing.ladder} />
      </Box>
      <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
        <HookStrip hooks={standing.hooks} days={DAYS} today={standing.today} />
      </Box>
      <Box sx={{ minWidth: 0, gridColumn: { xs: '1 / -1', md: 'auto' }, order: { xs: 3, md: 0 } }}>
        <Typography
          variant="subtitle1"
          sx={{
            fontSize: 15,
            lineHeight: 1.2,
            display: '-webkit-box',
            WebkitLineClamp: 3,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
          title={standing.headline}
        >
          {standing.headline}
        </Typography>
        <Typography
          variant="body2"
          color="textSecondary"
          sx={{
            lineHeight: 1.2,
            display: '-webkit-box',
            WebkitLineClamp: 2,
            WebkitBoxOrient: 'vertical',
            overflow: 'hidden',
          }}
          title={standing.because}
        >
          {[
            ...(line.closed_on === null ? [] : [`Closed on ${day(line.closed_on)}; this came in after that.`]),
            ...standing.group_reasons.map((reason) => `${reason[0]?.toUpperCase() ?? ''}${reason.slice(1)}.`),
            standing.because,
            ...standing.tests_due.map((due) => `Due: ${due}.`),
          ].join(' ')}
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 0.5, justifyContent: 'flex-end' }}>
        {may('decide') && standing.stopped && (
          <Button
            component={RouterLink}
            to={`/cases/${line.id}`}
            variant="contained"
            aria-label={`Review ${line.athlete.name}`}
            sx={{ bgcolor: 'stop.main', color: 'background.paper' }}
          >
            Review
          </Button>
        )}
        {may('decide') &&
          standing.group === 'silent' &&
          !standing.acceptable &&
          (line.nudged_at === null ? (
            <Button variant="outlined" onClick={onNudge} aria-label={`Nudge ${line.athlete.name}`}>
              Nudge
            </Button>
          ) : (
            <Button
              variant="text"
              onClick={onNudge}
              aria-label={`nudged ${since(line.nudged_at)}; nudge ${line.athlete.name} again`}
              sx={{ whiteSpace: 'nowrap' }}
            >
              nudged {since(line.nudged_at)}
            </Button>
          ))}
        {may('decide') && standing.acceptable && (
          <Button variant="contained" onClick={onAccept} aria-label={`Accept for ${line.athlete.name}`}>
            Accept
          </Button>
        )}
        {may('decide') && line.closed_on === null && (
          <Button
            component={RouterLink}
            to={`/cases/${line.id}/prescribe?proposal=1`}
            aria-label={`Change for ${line.athlete.name}`}
            sx={{ minWidth: 0 }}
          >
            Change
          </Button>
        )}
        <Button
          component={RouterLink}
          to={`/cases/${line.id}`}
          aria-label={`Open ${line.athlete.name}`}
          sx={{ minWidth: 0 }}
        >
          Open
        </Button>
      </Box>
    </Box>
  );
}
