import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormHelperText from '@mui/material/FormHelperText';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';

import { type Opened, useOpening } from './form';
import { ReferInstead } from './ReferInstead';
import { Tries } from './Tries';
import type { Tryable } from './tried';
import { PairField, TypedField } from './TypedField';

const without = (map: Record<string, string>, key: string): Record<string, string> =>
  Object.fromEntries(Object.entries(map).filter(([one]) => one !== key));

/** Signs that call for a referral, by region, and what weakens tendons. */
export function Screening() {
  const { form, set, fault, library, start } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  const region = structure?.region ?? '';
  const growing = start?.growing_age ?? null;
  const differentials = structure?.differentials ?? [];
  const whyFault = (sign: string) => fault(`signs.${Object.keys(form.signs).indexOf(sign)}.why`);
  return (
    <>
      <Typography variant="body2" sx={{ width: '100%' }}>
        Signs that call for a referral. A ticked sign blocks the start until you say why it is safe to go on; it then
        stays visible on the case.
      </Typography>
      {region === '' && (
        <Typography color="error" sx={{ width: '100%' }}>
          Choose the structure in step 1 first: the signs are those of its region.
        </Typography>
      )}
      {library.signs
        .filter((sign) => sign.regions.includes(region))
        .map((sign) => (
          <Box
            key={sign.key}
            sx={{
              width: '100%',
              display: 'grid',
              gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
              gap: 1,
              alignItems: 'center',
            }}
          >
            <Box>
              <FormControlLabel
                control={
                  <Checkbox
                    size="small"
                    sx={{ py: 0.25 }}
                    checked={sign.key in form.signs}
                    onChange={(event) =>
                      set(
                        'signs',
                        event.target.checked ? { ...form.signs, [sign.key]: '' } : without(form.signs, sign.key),
                      )
                    }
                  />
                }
                label={sign.words}
              />
              {sign.how !== null && (
                <Typography variant="caption" color="textSecondary" sx={{ display: 'block', pl: 4, lineHeight: 1.3 }}>
                  {sign.how}
                </Typography>
              )}
            </Box>
            {sign.key in form.signs && (
              <TextField
                label="Why it is safe to go on"
                value={form.signs[sign.key]}
                error={whyFault(sign.key) !== undefined}
                helperText={whyFault(sign.key) ?? 'In a sentence; it stays visible on the case.'}
                onChange={(event) => set('signs', { ...form.signs, [sign.key]: event.target.value })}
              />
            )}
          </Box>
        ))}
      {growing !== null && !('growing' in form.signs) && (
        <Alert severity="warning" sx={{ width: '100%', py: 0 }}>
          <b>{growing} years old: a joint that may still grow.</b> Press on the growth zone beside the tendon. If it
          hurts, tick the sign above.
          <FormControlLabel
            sx={{ display: 'flex' }}
            control={
              <Checkbox
                size="small"
                sx={{ py: 0.25 }}
                checked={form.growth_checked}
                onChange={(event) => set('growth_checked', event.target.checked)}
              />
            }
            label="I pressed on it, and it does not hurt"
          />
          {fault('growth_checked') !== undefined && <FormHelperText error>{fault('growth_checked')}</FormHelperText>}
        </Alert>
      )}
      <FormControlLabel
        sx={{ width: '100%' }}
        control={
          <Checkbox
            size="small"
            sx={{ py: 0.25 }}
            disabled={Object.keys(form.signs).length > 0}
            checked={form.no_signs && Object.keys(form.signs).length === 0}
            onChange={(event) => set('no_signs', event.target.checked)}
          />
        }
        label={<b>None of these signs: I asked and looked for each</b>}
      />
      {fault('signs') !== undefined && <FormHelperText error>{fault('signs')}</FormHelperText>}
      {differentials.length > 0 && (
        <Box component="section" aria-label="What else it could be" sx={{ width: '100%', mt: 1 }}>
          <Typography variant="h3">What else it could be</Typography>
          {differentials.map((differential) => (
            <Typography key={differential.what} variant="body2" sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
              <b>{differential.what}.</b> {differential.check}{' '}
              <Box component="span" sx={{ color: 'watch.main' }}>
                {differential.then}
              </Box>
            </Typography>
          ))}
        </Box>
      )}
      <Typography variant="body2" sx={{ width: '100%', mt: 1 }}>
        Risks: each that counts makes the start one rung easier.
      </Typography>
      <Box
        sx={{
          width: '100%',
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(250px, 1fr))',
          columnGap: 1,
        }}
      >
        {library.risks.map((risk, at) => {
          const found = start?.risks.find((asked) => asked.key === risk.key);
          const bad = fault(`risks.${Object.keys(form.risks).indexOf(risk.key)}.taken_on`);
          return (
            <Box
              key={risk.key}
              sx={{ order: risk.asks_taken_on ? 0 : 1, mb: risk.key in form.risks && risk.asks_taken_on ? 1 : 0 }}
              data-at={at}
            >
              <FormControlLabel
                control={
                  <Checkbox
                    size="small"
                    sx={{ py: 0.25 }}
                    checked={risk.key in form.risks}
                    onChange={(event) =>
                      set(
                        'risks',
                        event.target.checked ? { ...form.risks, [risk.key]: '' } : without(form.risks, risk.key),
                      )
                    }
                  />
                }
                label={risk.words}
              />
              {risk.key in form.risks && risk.asks_taken_on && (
                <TextField
                  label={`${risk.words}: last taken on`}
                  type="date"
                  value={form.risks[risk.key]}
                  error={bad !== undefined}
                  onChange={(event) => set('risks', { ...form.risks, [risk.key]: event.target.value })}
                  helperText={bad ?? found?.words}
                  slotProps={{ inputLabel: { shrink: true } }}
                  sx={{ display: 'flex', mt: 0.5 }}
                />
              )}
            </Box>
          );
        })}
      </Box>
      <FormControlLabel
        sx={{ width: '100%' }}
        control={
          <Checkbox
            size="small"
            sx={{ py: 0.25 }}
            disabled={Object.keys(form.risks).length > 0}
            checked={form.no_risks && Object.keys(form.risks).length === 0}
            onChange={(event) => set('no_risks', event.target.checked)}
          />
        }
        label={<b>None of these risks</b>}
      />
      {fault('risks') !== undefined && <FormHelperText error>{fault('risks')}</FormHelperText>}
      <ReferInstead />
    </>
  );
}

/** How easily it flares, and how long it takes to calm down. */
export function IrritabilityStep() {
  const { library, form, start } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  const test = start?.provocation_test ?? structure?.provocation_test;
  return (
    <>
      <TypedField name="rest" label="Pain at rest, 0–10" width={150} autoFocus />
      <TypedField name="test" label="Test score, 0–10" width={150} />
      <TypedField name="settle_min" label="Time to settle, min" width={165} />
      <TypedField name="stiffness_min" label="Morning stiffness, min" width={185} />
      {test !== undefined && (
        <Typography variant="body2" sx={{ width: '100%' }}>
          <b>The test: {test.title}.</b> {test.instruction}
        </Typography>
      )}
      {structure?.later_test !== null && structure?.later_test !== undefined && (
        <Typography variant="body2" color="textSecondary">
          Later, once this is easy: {structure.later_test.title}.
        </Typography>
      )}
      {start !== undefined && (
        <Alert severity={start.irritability === 'high' ? 'warning' : 'info'} icon={false} sx={{ width: '100%' }}>
          {start.irritability_words}. Leave empty what is not known.
        </Alert>
      )}
    </>
  );
}

/** What to cut or change for now: the programme is only a part of the load. */
export function LoadRelief() {
  const { form, set, library } = useOpening();
  const structure = library.structures.find((info) => info.key === form.structure);
  return (
    <>
      <Typography variant="body2" sx={{ width: '100%' }}>
        Total load is the programme and the rest of life. What is ticked goes to the athlete as advice, with its dates.
      </Typography>
      {structure?.load_relief.map((advice, i) => (
        <FormControlLabel
          key={advice}
          sx={{ width: '100%' }}
          control={
            <Checkbox
              size="small"
              autoFocus={i === 0}
              sx={{ py: 0.25 }}
              checked={form.advice.includes(advice)}
              onChange={(event) =>
                set(
                  'advice',
                  event.target.checked ? [...form.advice, advice] : form.advice.filter((other) => other !== advice),
                )
              }
            />
          }
          label={advice}
        />
      ))}
      <TypedField name="own_advice" label="In your own words, one a line" width="100%" lines={2} />
      <TypedField name="advice_until" label="Until" type="date" />
    </>
  );
}

/** The rungs on which the proposed stage could begin, each once. */
const tryable = (start: Opened['start']): Tryable[] => {
  const rungs = (start?.choices ?? []).flatMap((choice) => [choice, ...choice.alternatives]);
  return [
    ...new Map(
      rungs.map((rung) => [
        rung.exercise,
        { exercise: rung.exercise, title: rung.title, words: rung.words, mode: rung.mode },
      ]),
    ).values(),
  ];
};

/** What the gates and the way ahead are measured against, and what was found beside the structure. */
export function Baseline() {
  const { form, set, fault, library, start } = useOpening();
  const findings = library.findings.filter((finding) => finding.structures.includes(form.structure));
  const key = library.structures.find((structure) => structure.key === form.structure)?.strength_test;
  const strength = library.measures.find((measure) => measure.key === key);
  return (
    <>
      {strength !== undefined && (
        <Typography variant="body2" sx={{ width: '100%' }}>
          <b>{strength.title}.</b> {strength.instruction}
        </Typography>
      )}
      <PairField name="strength" label={strength?.title ?? 'Strength'} unit={strength?.unit ?? 'N'} />
      {start?.symmetry_percent !== null && start?.symmetry_percent !== undefined && (
        <Typography variant="body2" sx={{ alignSelf: 'center' }}>
          Symmetry {start.symmetry_percent} %
        </Typography>
      )}
      <PairField name="range" label="Range of movement" unit="°" />
      <PairField name="count" label="Endurance" unit="repetitions" />
      <Typography variant="body2" sx={{ width: '100%', mt: 1 }}>
        <b>Tried in the room.</b> The highest rung that is tolerated is proposed, with its weight; a rung that hurts
        over the school’s limit is never the start.
      </Typography>
      <Tries
        options={tryable(start)}
        tried={form.tried}
        setTried={(tried) => set('tried', tried)}
        fault={(at, field) => fault(`trials.${at}.${field}`)}
      />
      {findings.length > 0 && (
        <Box role="group" aria-label="Found beside it" sx={{ width: '100%', mt: 1 }}>
          <Typography variant="body2">
            <b>Found beside it.</b> Ticking a finding starts work on it in programmes that include such work.
          </Typography>
          <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(320px, 1fr))', columnGap: 1 }}>
            {findings.map((finding) => (
              <Box key={finding.key}>
                <FormControlLabel
                  control={
                    <Checkbox
                      size="small"
                      sx={{ py: 0.25 }}
                      checked={form.found.includes(finding.key)}
                      onChange={(event) =>
                        set(
                          'found',
                          event.target.checked
                            ? [...form.found, finding.key]
                            : form.found.filter((key) => key !== finding.key),
                        )
                      }
                    />
                  }
                  label={finding.words}
                />
                <Typography variant="caption" color="textSecondary" sx={{ display: 'block', pl: 4, lineHeight: 1.3 }}>
                  {finding.how}
                </Typography>
              </Box>
            ))}
          </Box>
        </Box>
      )}
      <Typography variant="body2" sx={{ width: '100%', mt: 1 }}>
        A severity score of your choice. Rung keeps the result, not its questions.
      </Typography>
      <TypedField name="severity" label="Name of the score" at="severity.name" width={240} />
      {form.severity.trim() !== '' && (
        <>
          <TypedField name="lowest" label="Lowest" at="severity.lowest" width={100} />
          <TypedField name="highest" label="Highest" at="severity.highest" width={100} />
          <TextField
            select
            label="Which way is better"
            value={form.higher_is_better ? 'up' : 'down'}
            onChange={(event) => set('higher_is_better', event.target.value === 'up')}
            sx={{ width: 170 }}
          >
            <MenuItem value="up">higher is better</MenuItem>
            <MenuItem value="down">lower is better</MenuItem>
          </TextField>
          <TypedField
            name="smallest_change"
            label="Smallest change that matters"
            at="severity.smallest_change"
            width={260}
          />
          <TypedField name="score" label="Score today" at="severity.score" width={130} />
        </>
      )}
    </>
  );
}
