import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';

import { day } from '../../shell/dates';
import { IfMay } from '../../shell/IfMay';
import { Failed, Loading } from '../../shell/States';
import { CurveDialog } from './CurveDialog';
import { FileButtons } from './FileButtons';
import { MeasureChart } from './MeasureChart';
import { Tries, StrikeOut } from './MeasureTries';
import { TakeMeasure } from './TakeMeasure';
import { type Measure, type Sheet, SIDES, type Taken, useAddMeasure, useMeasures } from './useMeasures';

/** All that is measured in a case, over time: what is due first. */
export function MeasuresPage() {
  const id = useParams().id ?? '';
  const found = useMeasures(id);
  if (found.isPending) return <Loading what="the measures" />;
  if (found.data === undefined) return <Failed problem={found.error} onRetry={() => void found.refetch()} />;
  return <MeasuresView key={id} id={id} sheet={found.data} />;
}

function MeasuresView({ id, sheet }: { id: string; sheet: Sheet }) {
  const [open, setOpen] = useState<string | null>(null);
  const [added, setAdded] = useState<Measure[]>([]);
  const [curve, setCurve] = useState<string | null>(null);
  const [striking, setStriking] = useState<{ measure: Measure; taken: Taken } | null>(null);
  const add = useAddMeasure(id);
  const known = new Set(sheet.measures.map((measure) => measure.key));
  const measures = [...sheet.measures, ...added.filter((item) => !known.has(item.key))];
  const never = measures.filter((measure) => measure.taken.length === 0 && measure.due === null);
  const shown = measures.filter((measure) => !never.includes(measure));
  const taking = measures.find((measure) => measure.key === open);
  return (
    <Box component="main" sx={{ px: 2, pb: 4, maxWidth: 1680, mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1.5, py: 1, flexWrap: 'wrap' }}>
        <Typography variant="h1">{sheet.athlete}: measures</Typography>
        <Typography color="textSecondary" sx={{ flex: 1 }}>
          {sheet.structure}, {sheet.side === 'both' ? 'both sides' : sheet.side} · {sheet.stage}
          {sheet.body_mass_kg !== null && ` · ${sheet.body_mass_kg} kg`}
        </Typography>
        <IfMay what="decide">
          <Button component={RouterLink} to={`/cases/${id}/visit`} variant="contained">
            Visit: measure in one go
          </Button>
        </IfMay>
        <FileButtons id={id} />
        <Button component={RouterLink} to={`/cases/${id}`}>
          Back to the case
        </Button>
      </Box>
      {sheet.closed_on !== null && (
        <Alert severity="info" sx={{ mb: 1.5 }}>
          This case is closed. What is measured is kept with it and asks for nothing.
        </Alert>
      )}
      {sheet.stopped && (
        <Alert severity="error" sx={{ mb: 1.5 }}>
          A stop is open. Only what does not load the tissue is measured before you have reviewed it.
        </Alert>
      )}
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Filled marks: {SIDES[sheet.side][0].toLowerCase()}; open marks: {SIDES[sheet.side][1].toLowerCase()}. Shaded:
        around the first value, where a change is the noise of the measure. Dashed line: what the gate of this stage
        needs.
      </Typography>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            md: 'repeat(2, minmax(0, 1fr))',
            xl: 'repeat(3, minmax(0, 1fr))',
          },
          alignItems: 'start',
        }}
      >
        {shown.map((item) => (
          <Card
            key={item.key}
            measure={item}
            sheet={sheet}
            onTake={() => setOpen(item.key)}
            onStrike={(taken) => setStriking({ measure: item, taken })}
            onOpenCurve={setCurve}
          />
        ))}
        <Paper variant="panel" component="section" aria-label="Not measured yet">
          <Typography variant="h2">Not measured yet</Typography>
          <Typography variant="body2" color="textSecondary">
            Proposed for this structure in this stage.
          </Typography>
          {never.map((measure) => (
            <Box key={measure.key} sx={{ display: 'flex', alignItems: 'center', borderTop: 1, borderColor: 'divider' }}>
              <Typography sx={{ flex: 1 }}>
                {measure.title}, {measure.unit}
              </Typography>
              <IfMay what="enter">
                <Button
                  aria-label={`Measure ${measure.title}`}
                  disabled={sheet.stopped && measure.loads}
                  onClick={() => setOpen(measure.key)}
                >
                  Measure
                </Button>
              </IfMay>
            </Box>
          ))}
          <IfMay what="enter">
            <TextField
              select
              fullWidth
              label="Measure something else"
              value=""
              sx={{ mt: 1 }}
              onChange={(event) =>
                add.mutate(event.target.value, {
                  onSuccess: (measure) => {
                    setAdded([...added, measure]);
                    setOpen(measure.key);
                  },
                })
              }
            >
              {sheet.others
                .filter((other) => !measures.some((measure) => measure.key === other.key))
                .map((other) => (
                  <MenuItem key={other.key} value={other.key}>
                    {other.title}
                  </MenuItem>
                ))}
            </TextField>
          </IfMay>
          {add.isError && (
            <Typography color="error" variant="body2">
              This could not be loaded. Try again.
            </Typography>
          )}
        </Paper>
      </Box>
      {taking !== undefined && (
        <Dialog open onClose={() => setOpen(null)} maxWidth="sm" fullWidth aria-labelledby="taking">
          <DialogTitle id="taking" sx={{ pb: 0 }}>
            {taking.title}, today
          </DialogTitle>
          <DialogContent>
            <TakeMeasure
              id={id}
              measure={taking}
              side={sheet.side}
              today={sheet.today}
              on={sheet.today}
              onKept={() => setOpen(null)}
            />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(null)}>Close</Button>
          </DialogActions>
        </Dialog>
      )}
      {striking !== null && (
        <StrikeOut id={id} measure={striking.measure} taken={striking.taken} onClose={() => setStriking(null)} />
      )}
      {curve !== null && <CurveDialog id={id} curve={curve} onClose={() => setCurve(null)} />}
    </Box>
  );
}

function Card({
  measure,
  sheet,
  onTake,
  onStrike,
  onOpenCurve,
}: {
  measure: Measure;
  sheet: Sheet;
  onTake: () => void;
  onStrike: (taken: Taken) => void;
  onOpenCurve: (curve: string) => void;
}) {
  const latest = measure.taken.at(-1);
  const [all, setAll] = useState(false);
  const rows = [...measure.taken].reverse().slice(0, all ? undefined : 3);
  const isForce = measure.kind === 'force';
  return (
    <Paper
      variant="panel"
      component="section"
      aria-label={measure.title}
      sx={{ borderColor: measure.due === null ? undefined : 'watch.main' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {measure.title}
        </Typography>
        <IfMay what="enter">
          <Button aria-label={`Measure ${measure.title}`} disabled={sheet.stopped && measure.loads} onClick={onTake}>
            Measure
          </Button>
        </IfMay>
      </Box>
      {measure.due !== null && (
        <Typography variant="body2" color="watch">
          ▲ Due: {measure.due}.
        </Typography>
      )}
      {latest !== undefined && (
        <>
          <Typography sx={{ fontSize: '1.25rem' }}>
            <b>{latest.affected}</b>
            {latest.unaffected !== null && ` and ${latest.unaffected}`} {measure.unit}
            {latest.symmetry_percent !== null && (
              <Box component="span" sx={{ fontSize: '1rem' }}>
                {' '}
                · {sheet.side === 'both' ? 'weaker against stronger' : 'sore against other'} {latest.symmetry_percent} %
              </Box>
            )}
            {latest.per_kg !== null && (
              <Box component="span" sx={{ fontSize: '1rem' }}>
                {' '}
                · {latest.per_kg} {measure.unit} a kg of body
              </Box>
            )}
          </Typography>
          <Typography variant="body2" sx={{ color: latest.meaning === 'worse' ? 'over.main' : undefined }}>
            {latest.meaning === 'better' ? '↑ ' : latest.meaning === 'worse' ? '↓ ' : ''}
            {measure.words}
          </Typography>
          {measure.ratio !== null && <Typography variant="body2">{measure.ratio.words}</Typography>}
          {measure.gate !== null && (
            <Typography variant="body2" color="textSecondary">
              Gate: {measure.gate.words}.
            </Typography>
          )}
          <MeasureChart measure={measure} from={sheet.opened_on} today={sheet.today} />
        </>
      )}
      {rows.length > 0 && (
        <Box
          component="table"
          aria-label={`${measure.title}, values`}
          sx={{
            width: '100%',
            borderCollapse: 'collapse',
            fontSize: '0.875rem',
            '& th': { fontWeight: 400, color: 'text.secondary', textAlign: 'right' },
            '& td': { textAlign: 'right', borderTop: 1, borderColor: 'divider', py: 0.25 },
            '& th:first-of-type, & td:first-of-type': { textAlign: 'left' },
          }}
        >
          <thead>
            <tr>
              <th>Day</th>
              <th>{measure.each_side ? SIDES[sheet.side][0] : 'Value'}</th>
              {measure.each_side && <th>{SIDES[sheet.side][1]}</th>}
              <th>Since first</th>
              <th aria-label="More" />
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.id}>
                <td>
                  {day(row.on)}
                  {row.by !== null && (
                    <Box component="span" sx={{ color: 'text.secondary' }}>
                      , {row.by}
                    </Box>
                  )}
                </td>
                <td>{row.affected}</td>
                {measure.each_side && <td>{row.unaffected}</td>}
                <td>
                  {row.change_percent === null ? '' : `${row.change_percent > 0 ? '+' : ''}${row.change_percent} %`}
                </td>
                <td>
                  {isForce &&
                    (row.details?.affected.concat(row.details.unaffected) ?? [])
                      .flatMap((attempt) => (attempt.curve === null ? [] : [attempt.curve]))
                      .map((curve, i) => (
                        <Button
                          key={curve}
                          title="See the force curve"
                          aria-label={`Curve ${i + 1} of ${day(row.on)}`}
                          onClick={() => onOpenCurve(curve)}
                          sx={{ minWidth: 28, px: 0.5 }}
                        >
                          ∿
                        </Button>
                      ))}
                  <IfMay what="enter">
                    <Button
                      title="Strike out"
                      aria-label={`Strike out ${day(row.on)}`}
                      onClick={() => onStrike(row)}
                      sx={{ minWidth: 28, px: 0.5 }}
                    >
                      ×
                    </Button>
                  </IfMay>
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      {latest?.details !== null && latest?.details !== undefined && <Tries measure={measure} latest={latest} />}
      {measure.taken.length > 3 && (
        <Button onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? 'Only the latest' : `All ${measure.taken.length}`}
        </Button>
      )}
    </Paper>
  );
}
