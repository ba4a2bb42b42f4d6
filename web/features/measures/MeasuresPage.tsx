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

import { faultAt, Refusal } from '../../api/client';
import { day } from '../../shell/dates';
import { Failed, Loading } from '../../shell/States';
import { IfMay } from '../../shell/IfMay';
import { CurveTrace } from './CurveTrace';
import { MeasureChart } from './MeasureChart';
import { TakeMeasure } from './TakeMeasure';
import {
  type Measure,
  type Sheet,
  SIDES,
  type Taken,
  useAddMeasure,
  useCurve,
  useMeasures,
  useStrikeOut,
  useTakeInFile,
} from './useMeasures';

/** All that is measured in a case, over time: what is due first. */
export function MeasuresPage() {
  const id = useParams().id ?? '';
  const found = useMeasures(id);
  if (found.isPending) return <Loading what="the measures" />;
  if (found.data === undefined) return <Failed problem={found.error} again={() => void found.refetch()} />;
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
            take={() => setOpen(item.key)}
            strike={(taken) => setStriking({ measure: item, taken })}
            look={setCurve}
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
              kept={() => setOpen(null)}
            />
          </DialogContent>
          <DialogActions>
            <Button onClick={() => setOpen(null)}>Close</Button>
          </DialogActions>
        </Dialog>
      )}
      {striking !== null && (
        <StrikeOut id={id} measure={striking.measure} taken={striking.taken} close={() => setStriking(null)} />
      )}
      {curve !== null && <CurveDialog id={id} curve={curve} close={() => setCurve(null)} />}
    </Box>
  );
}

function Card({
  measure,
  sheet,
  take,
  strike,
  look,
}: {
  measure: Measure;
  sheet: Sheet;
  take: () => void;
  strike: (taken: Taken) => void;
  look: (curve: string) => void;
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
          <Button aria-label={`Measure ${measure.title}`} disabled={sheet.stopped && measure.loads} onClick={take}>
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
                          onClick={() => look(curve)}
                          sx={{ minWidth: 28, px: 0.5 }}
                        >
                          ∿
                        </Button>
                      ))}
                  <IfMay what="enter">
                    <Button
                      title="Strike out"
                      aria-label={`Strike out ${day(row.on)}`}
                      onClick={() => strike(row)}
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

/** The tries of the latest value, those that were struck out with a line through them. */
function Tries({ measure, latest }: { measure: Measure; latest: Taken }) {
  const listOf = (tries: NonNullable<Taken['details']>['affected']) =>
    tries.map((attempt, i) => (
      <Box component="span" key={i} sx={{ textDecoration: attempt.struck ? 'line-through' : undefined, mr: 0.75 }}>
        {attempt.load_kg === null
          ? attempt.value
          : `${attempt.load_kg} kg × ${attempt.reps ?? ''}${(attempt.rir ?? 0) > 0 ? `, ${attempt.rir ?? 0} in reserve` : ''}`}
      </Box>
    ));
  const { details } = latest;
  if (details === null) return null;
  return (
    <Typography variant="body2" color="textSecondary" component="div">
      Tries: {listOf(details.affected)}
      {details.unaffected.length > 0 && <>| {listOf(details.unaffected)}</>}
      {measure.unit}
      {details.lever_m !== null && `, lever ${Math.round(100 * details.lever_m)} cm`}
      {details.moment_nm !== null && `: ${details.moment_nm} Nm`}
      {details.joint_angle !== null && `, ${details.joint_angle}`}
    </Typography>
  );
}

function StrikeOut({ id, measure, taken, close }: { id: string; measure: Measure; taken: Taken; close: () => void }) {
  const strike = useStrikeOut(id);
  const [correction] = useState(() => crypto.randomUUID());
  const [why, setWhy] = useState('');
  return (
    <Dialog open onClose={close} maxWidth="xs" fullWidth aria-labelledby="strike-out">
      <DialogTitle id="strike-out">
        Strike out {measure.title.toLowerCase()} of {day(taken.on)}
      </DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5, pt: '8px !important' }}>
        <Typography variant="body2">It no longer counts, and stays in the record with what you write here.</Typography>
        <TextField
          label="Why, for the record"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          multiline
          minRows={2}
          error={faultAt(strike.error, 'why') !== undefined}
          helperText={faultAt(strike.error, 'why')}
        />
        {strike.error !== null && faultAt(strike.error, 'why') === undefined && (
          <Alert severity="error">
            {strike.error instanceof Refusal
              ? (Object.values(strike.error.fields)[0] ?? strike.error.message)
              : 'This could not be sent. Try again.'}
          </Alert>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Cancel</Button>
        <Button
          variant="contained"
          loading={strike.isPending}
          onClick={() =>
            strike.mutate(
              { correction, body: { what: measure.each_side ? 'test' : 'score', entry: taken.id, struck: true, why } },
              { onSuccess: close },
            )
          }
        >
          Strike out
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const FIGURES: [string, string, string][] = [
  ['peak_n', 'Peak', 'N'],
  ['best_second_n', 'Best second', 'N'],
  ['time_to_90_s', '90 % after', 's'],
  ['rate_of_rise_n_s', 'Steepest rise', 'N/s'],
  ['impulse_n_s', 'Impulse', 'Ns'],
  ['moment_nm', 'Moment', 'Nm'],
  ['in_band_percent', 'In the band', '%'],
  ['drift_n', 'Drift of the gauge', 'N'],
];

function CurveDialog({ id, curve, close }: { id: string; curve: string; close: () => void }) {
  const found = useCurve(id, curve);
  const figures: Readonly<Record<string, number | null | undefined>> | undefined = found.data?.figures;
  return (
    <Dialog open onClose={close} maxWidth="md" fullWidth aria-labelledby="curve">
      <DialogTitle id="curve">Force curve{found.data?.on !== undefined && ` of ${day(found.data.on)}`}</DialogTitle>
      <DialogContent>
        {found.isError && <Failed problem={found.error} again={() => void found.refetch()} />}
        {found.data !== null && found.data !== undefined && (
          <>
            <CurveTrace
              ms={found.data.ms}
              newtons={found.data.newtons}
              width={820}
              height={240}
              label={`A pull with a peak of ${found.data.figures.peak_n} N`}
            />
            <Box
              component="dl"
              sx={{
                display: 'flex',
                flexWrap: 'wrap',
                columnGap: 3,
                rowGap: 1,
                mt: 1,
                mb: 0,
                '& dt': { color: 'text.secondary', fontSize: '0.875rem' },
                '& dd': { m: 0, fontWeight: 600 },
              }}
            >
              {FIGURES.map(([key, title, unit]) => (
                <Figure key={key} title={title} value={figures?.[key]} unit={unit} />
              ))}
            </Box>
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

/** One number read from a curve; nothing where it was not read. */
function Figure({ title, value, unit }: { title: string; value: number | null | undefined; unit: string }) {
  return value === null || value === undefined ? null : (
    <div>
      <dt>{title}</dt>
      <dd>
        {value} {unit}
      </dd>
    </div>
  );
}

/** The sheet out as a table, and in from one: all of its rows or none. */
function FileButtons({ id }: { id: string }) {
  const take = useTakeInFile(id);
  const faults = take.error instanceof Refusal ? Object.entries(take.error.fields) : [];
  return (
    <>
      <IfMay what="take-out">
        <Button component="a" href={`/api/cases/${id}/measures/file`} download="rung-measures.csv" variant="outlined">
          Save as a table (CSV)
        </Button>
      </IfMay>
      <IfMay what="enter">
        <Button component="label" variant="outlined" loading={take.isPending}>
          Import a table …
          <input
            type="file"
            accept="text/csv,.csv"
            hidden
            aria-label="Table of measures"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file !== undefined) void file.text().then((csv) => take.mutate(csv));
              event.target.value = '';
            }}
          />
        </Button>
      </IfMay>
      {take.isSuccess && (
        <Alert severity="success" onClose={() => take.reset()} sx={{ width: '100%', order: 1 }}>
          {take.data.stored === 0
            ? 'Nothing new: every row was there already.'
            : take.data.stored === 1
              ? '1 row imported.'
              : `${take.data.stored} rows imported.`}
        </Alert>
      )}
      {take.isError && (
        <Alert severity="error" onClose={() => take.reset()} sx={{ width: '100%', order: 1 }}>
          <b>Nothing was imported.</b>
          {faults.length === 0 ? (
            ` ${take.error.message}`
          ) : (
            <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
              {faults.slice(0, 12).map(([path, message]) => (
                <li key={path}>
                  {rowOf(path)}
                  {message}
                </li>
              ))}
            </Box>
          )}
        </Alert>
      )}
    </>
  );
}

/** "Row 3: " of a fault's place; the first row holds the names. */
const rowOf = (path: string): string => {
  const found = /^rows\.(\d+)\./.exec(path);
  return found === null ? '' : `Row ${Number(found[1]) + 2}: `;
};
