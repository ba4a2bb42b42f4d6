import List from '@mui/material/List';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';

import { day, moment } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { useMay } from '../../shell/useSignedIn';
import { CorrectDialog } from './CorrectDialog';
import { MeasureForm } from './MeasureForm';
import { MorningForm } from './MorningForm';
import { PaperGrid } from './PaperGrid';
import { SheetForm } from './SheetForm';
import { SessionForm } from './SessionForm';
import { type Entries, type OneEntry, useEntries } from './useEntries';
import { entryWords } from './words';

const FIRST = 30;

/** What was entered in a case, to be put right; and what came on paper or by telephone, to be entered. */
export function EntriesPage() {
  const id = useParams().id ?? '';
  const found = useEntries(id);
  if (found.isPending) return <Loading what="the entries" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <EntriesView key={id} id={id} found={found.data} />;
}

function EntriesView({ id, found }: { id: string; found: Entries }) {
  const [what, setWhat] = useState<'morning' | 'session' | 'measure' | 'paper' | 'sheet'>('morning');
  const [wrong, setWrong] = useState<OneEntry | null>(null);
  const [all, setAll] = useState(false);
  const enters = useMay()('enter');
  const shown = all ? found.entries : found.entries.slice(0, FIRST);
  return (
    <Box component="main" sx={{ maxWidth: 1240, mx: 'auto', p: 2, display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          {found.athlete}: entries
        </Typography>
        <Button component={RouterLink} to={`/cases/${id}`}>
          Back to the case
        </Button>
      </Box>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            md: enters ? 'minmax(0, 1fr) minmax(0, 1fr)' : 'minmax(0, 1fr)',
          },
          alignItems: 'start',
        }}
      >
        {enters && (
          <Paper
            variant="panel"
            component="section"
            aria-label="Enter for the athlete"
            sx={{ display: 'grid', gap: 1.5 }}
          >
            <Box>
              <Typography variant="h2">Enter for the athlete</Typography>
              <Typography variant="body2" color="textSecondary">
                What came on paper or by telephone. It is marked with your name, and judged like any other entry.
              </Typography>
            </Box>
            <ToggleButtonGroup
              exclusive
              size="small"
              value={what}
              onChange={(_, next: 'morning' | 'session' | 'measure' | 'paper' | 'sheet' | null) => {
                if (next !== null) setWhat(next);
              }}
              aria-label="What to enter"
            >
              <ToggleButton value="morning">Mornings</ToggleButton>
              <ToggleButton value="session">A session</ToggleButton>
              <ToggleButton value="measure">Tests and scores</ToggleButton>
              <ToggleButton value="paper">Two weeks on paper</ToggleButton>
              <ToggleButton value="sheet">A spreadsheet</ToggleButton>
            </ToggleButtonGroup>
            {what === 'morning' && <MorningForm id={id} found={found} />}
            {what === 'session' && <SessionForm id={id} found={found} />}
            {what === 'measure' && <MeasureForm id={id} found={found} />}
            {what === 'paper' && <PaperGrid id={id} found={found} />}
            {what === 'sheet' && <SheetForm id={id} />}
          </Paper>
        )}
        <Paper variant="panel" component="section" aria-label="What was entered">
          <Typography variant="h2">What was entered</Typography>
          {enters && (
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
              Put right what is wrong: the case is judged again, and what it said before stays in the record.
            </Typography>
          )}
          {found.entries.length === 0 && <Typography color="textSecondary">Nothing yet.</Typography>}
          <List disablePadding>
            {shown.map((item) => (
              <Box
                component="li"
                key={item.id}
                sx={{ borderTop: 1, borderColor: 'divider', py: 0.5, display: 'flex', gap: 1, alignItems: 'baseline' }}
              >
                <Typography variant="body2" color="textSecondary" sx={{ width: 88, flexShrink: 0 }}>
                  {day(item.on)}
                </Typography>
                <Typography variant="body2" sx={{ flex: 1 }}>
                  <b>{item.title}</b>
                  {entryWords(item, found)}
                  {item.entered_by !== null && (
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                      {' '}
                      · entered by {item.entered_by}
                    </Box>
                  )}
                </Typography>
                {enters && (
                  <Button
                    size="small"
                    aria-label={`Put right: ${item.title} of ${day(item.on)}`}
                    onClick={() => setWrong(item)}
                    sx={{ py: 0 }}
                  >
                    Put right …
                  </Button>
                )}
              </Box>
            ))}
          </List>
          {found.entries.length > FIRST && (
            <Button onClick={() => setAll(!all)}>
              {all ? 'Show fewer' : `Show all ${found.entries.length} of the last four months`}
            </Button>
          )}
          {found.corrections.length > 0 && (
            <>
              <Typography variant="h3" sx={{ mt: 2 }}>
                Put right or struck out
              </Typography>
              <List aria-label="Put right or struck out" disablePadding>
                {found.corrections.map((correction) => (
                  <Box
                    component="li"
                    key={correction.at + correction.entry}
                    sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}
                  >
                    <Typography variant="body2">{correction.words}</Typography>
                    <Typography variant="body2" color="textSecondary">
                      {correction.by}, {moment(correction.at)}
                      {correction.why === null ? '' : `: ${correction.why}`}
                    </Typography>
                  </Box>
                ))}
              </List>
            </>
          )}
        </Paper>
      </Box>
      {wrong !== null && <CorrectDialog id={id} found={found} entry={wrong} onClose={() => setWrong(null)} />}
    </Box>
  );
}
