import Alert from '@mui/material/Alert';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link as RouterLink } from 'react-router';

import { day } from '../../shell/dates';
import type { Case } from './useCase';

/** What was found at the start and must not be lost from sight: signs, risks, advice, an earlier episode. */
export function IntakeNotes({ found }: { found: Case }) {
  const { intake, advice, earlier } = found;
  const facts = [
    intake.purpose === 'prevention'
      ? `For prevention${intake.season_from === null ? '' : `, season from ${day(intake.season_from)}`}${intake.season_until === null ? '' : ` to ${day(intake.season_until)}`}`
      : null,
    intake.age === null
      ? null
      : `${intake.age} years old${intake.growth_checked === true ? ', the growth zone was pressed on and does not hurt' : ''}`,
    intake.began_on === null
      ? null
      : `Began ${day(intake.began_on)}${intake.load_change === null ? '' : ` after ${lower(intake.load_change)}`}`,
    intake.aggravating === null ? null : `worse with ${lower(intake.aggravating)}`,
    intake.goal_on === null ? null : `wants to be back by ${day(intake.goal_on)}`,
    intake.risks.length === 0 ? null : `risks: ${intake.risks.map(lower).join('; ')}`,
    intake.trials.length === 0 ? null : `tried at the start: ${intake.trials.map(lower).join('; ')}`,
    advice.length === 0
      ? null
      : `advised: ${advice.map((line) => `${lower(line.words).replace(/\.$/, '')}${line.until === null ? '' : ` (until ${day(line.until)})`}`).join('; ')}`,
  ].filter((item) => item !== null);
  return (
    <>
      {intake.growth_checked === false && !intake.signs.some((sign) => sign.key === 'growing') && (
        <Alert severity="warning" sx={{ mb: 1, py: 0 }}>
          <b>{intake.age} years old: a joint that may still grow.</b> Nobody has written down that the growth zone does
          not hurt. Press on it at the next visit; if it hurts, stop and refer.
        </Alert>
      )}
      {intake.signs.map((sign) => (
        <Alert key={sign.key} severity="warning" sx={{ mb: 1, py: 0 }}>
          <b>Referral sign at the start: {lower(sign.words)}.</b> Gone on because: {sign.why} ({sign.by}, {day(sign.on)}
          )
        </Alert>
      ))}
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        <Link component={RouterLink} to={`/cases/${found.id}/intake`}>
          Intake
        </Link>
        {(facts.length > 0 || earlier.length > 0) && ': '}
        {facts.join(' · ')}
        {facts.length > 0 && earlier.length > 0 && ' · '}
        {earlier.map((episode) => (
          <Link key={episode.id} component={RouterLink} to={`/cases/${episode.id}`}>
            earlier episode, {episode.side}, {day(episode.opened_on)}
          </Link>
        ))}
      </Typography>
    </>
  );
}

const lower = (words: string): string => (words[0]?.toLowerCase() ?? '') + words.slice(1);
