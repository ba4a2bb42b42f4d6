import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { Empty } from '../../shell/States';
import { IfMay } from '../../shell/IfMay';
import { GOALS } from '../open/form';
import { Compare } from './Compare';
import { CoursePicture } from './CoursePicture';
import { Picks } from './Picks';
import { useCopy } from './useLibrary';
import type { Library } from './words';

/** Whether a stage is for any of the goals; one that names none is for all. */
const isFor = (stage: readonly string[] | null, goals: readonly string[]): boolean =>
  stage === null || goals.some((goal) => stage.includes(goal));

/** The programmes of a structure: one stage by stage, or two side by side. */
export function Programmes({
  library,
  structure,
  hits,
  chosen,
  onChoose,
}: {
  library: Library;
  structure: string | null;
  hits: readonly string[] | null;
  chosen: string | null;
  onChoose: (key: string) => void;
}) {
  const [beside, setBeside] = useState('');
  const navigate = useNavigate();
  const copy = useCopy((kind, key) => void navigate(`/library/${kind}/${key}`));
  const list = library.programmes.filter(
    (programme) =>
      (structure === null || programme.structures.includes(structure)) &&
      (hits === null || hits.includes(programme.key)),
  );
  const usual = library.structures.find((info) => info.key === structure)?.usual_programme;
  list.sort((a, b) => Number(b.key === usual) - Number(a.key === usual));
  const shown = list.find((programme) => programme.key === chosen) ?? list[0];
  if (shown === undefined)
    return <Empty title="No programme fits">Leave a word out, or choose another structure.</Empty>;
  // Of a programme for many structures, the exercises of the one that is looked at.
  const variant = shown.variants.find((candidate) => structure !== null && candidate.structures.includes(structure));
  const others = library.programmes.filter(
    (programme) => programme.key !== shown.key && programme.structures.some((key) => shown.structures.includes(key)),
  );
  const other = others.some((candidate) => candidate.key === beside) ? beside : '';

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '270px minmax(0, 1fr)', gap: 1.5, alignItems: 'start' }}>
      <Picks
        label="Programmes"
        picks={list.map((programme) => ({
          ...programme,
          what: `${programme.key === usual ? 'usual · ' : ''}${programme.school}`,
        }))}
        chosen={shown.key}
        onChoose={onChoose}
      />
      <Paper variant="panel" component="section" aria-label={shown.title}>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 0.5 }}>
          <Typography variant="h2" sx={{ flex: 1 }}>
            {shown.title}
          </Typography>
          <TextField
            select
            label="Compare with"
            value={other}
            onChange={(event) => setBeside(event.target.value)}
            sx={{ width: 240 }}
          >
            <MenuItem value="">no other</MenuItem>
            {others.map((candidate) => (
              <MenuItem key={candidate.key} value={candidate.key}>
                {candidate.title}
              </MenuItem>
            ))}
          </TextField>
          <IfMay what="decide">
            {shown.version === null ? (
              <Button
                variant="outlined"
                loading={copy.isPending}
                onClick={() => copy.mutate({ kind: 'programme', key: shown.key })}
              >
                Copy into our library
              </Button>
            ) : (
              <Button variant="outlined" onClick={() => void navigate(`/library/programme/${shown.key}`)}>
                Edit
              </Button>
            )}
          </IfMay>
        </Box>
        {shown.caution !== null && (
          <Alert severity="warning" sx={{ mb: 1 }}>
            {shown.caution}
          </Alert>
        )}
        {other !== '' ? (
          <Compare kind="programme" a={shown.key} b={other} />
        ) : (
          <>
            <Typography>{shown.summary}</Typography>
            <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
              School: {shown.school}. {shown.retest ? 'The test is repeated around each exercise. ' : ''}
              {shown.purpose === 'prevention' ? 'For prevention. ' : ''}
              {shown.time_scale}
            </Typography>
            <CoursePicture
              key={shown.key}
              programme={shown.key}
              structure={
                structure !== null && shown.structures.includes(structure) ? structure : (shown.structures[0] ?? '')
              }
            />
            {shown.stages.map((stage, i) => (
              <Box
                key={stage.key}
                component="section"
                aria-label={stage.title}
                sx={{
                  borderTop: 1,
                  borderColor: 'divider',
                  py: 1,
                  display: 'grid',
                  gridTemplateColumns: '150px minmax(0, 1fr)',
                  gap: 1.5,
                }}
              >
                <Box>
                  <Typography variant="subtitle1">
                    {i + 1} · {stage.title}
                  </Typography>
                  <Typography variant="body2" color="textSecondary">
                    {stage.goals}
                  </Typography>
                </Box>
                <Box>
                  <Typography variant="body2" sx={{ mb: 0.5, '&::first-letter': { textTransform: 'uppercase' } }}>
                    {stage.rhythm}
                  </Typography>
                  {stage.prescriptions
                    .map(
                      (prescription) =>
                        variant?.prescriptions.find((other) => other.key === prescription.key) ?? prescription,
                    )
                    .map((item) => (
                      <Box key={item.key} sx={{ mb: 0.5 }}>
                        <Typography variant="body2">
                          <b>{item.title}</b> {item.words}
                          {item.when === null ? '' : ` · ${item.when}`}
                          {item.tempo_words === null ? '' : ` · ${item.tempo_words}`}
                        </Typography>
                        {item.growth !== null && (
                          <Typography variant="body2" color="textSecondary">
                            Grows: {item.growth}
                          </Typography>
                        )}
                      </Box>
                    ))}
                  {stage.mode === 'sport' &&
                    library.practice
                      .filter((way) => isFor(stage.goal_keys, way.goals))
                      .map((way) => (
                        <Typography key={way.goals.join()} variant="body2" sx={{ mb: 0.5 }}>
                          <b>
                            Back to{' '}
                            {way.goals
                              .filter((goal) => isFor(stage.goal_keys, [goal]))
                              .map((goal) => GOALS[goal as keyof typeof GOALS])
                              .join(', ')}
                            :
                          </b>{' '}
                          {way.steps
                            .map((step) => `${step.title} (${step.minutes} min, effort ${step.effort})`)
                            .join(' → ')}
                        </Typography>
                      ))}
                  <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
                    Gate: {stage.gate.join('; ')}
                  </Typography>
                  {stage.notes !== null && (
                    <Typography variant="body2" color="textSecondary">
                      {stage.notes}
                    </Typography>
                  )}
                </Box>
              </Box>
            ))}
          </>
        )}
      </Paper>
    </Box>
  );
}
