import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';

import { ClimbLadder, stepsOf } from '../../charts/ClimbLadder';
import { useThumbnails } from '../../figure/ExerciseFigure';
import { Empty } from '../../shell/States';
import { IfMay } from '../../shell/IfMay';
import { ExerciseSheet } from './ExerciseSheet';
import { useCopy } from './useLibrary';
import { CHANGES, type Library, MODES } from './words';

/** The ladders of a structure, or what a search found, with one exercise in full beside them. */
export function Ladders({
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
  const navigate = useNavigate();
  const copy = useCopy((kind, key) => void navigate(`/library/${kind}/${key}`));
  const exercises = useMemo(() => new Map(library.exercises.map((exercise) => [exercise.key, exercise])), [library]);
  const wanted = library.structures.find((info) => info.key === structure)?.ladders;
  const ladders = library.ladders.filter((ladder) => wanted === undefined || wanted.includes(ladder.key));
  const onLadder = new Set(library.ladders.flatMap((ladder) => ladder.rungs.map((rung) => rung.exercise)));
  const beside = library.exercises.filter(
    (exercise) => !onLadder.has(exercise.key) && (structure === null || exercise.structures[structure] !== undefined),
  );
  const fits =
    hits?.filter((key) => structure === null || exercises.get(key)?.structures[structure] !== undefined) ?? null;
  const figures = useThumbnails(
    structure === null ? [] : ladders.flatMap((ladder) => ladder.rungs.map((rung) => rung.exercise)),
  );
  const shown = exercises.get(chosen ?? fits?.[0] ?? ladders[0]?.rungs[0]?.exercise ?? '');

  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 380px', gap: 1.5, alignItems: 'start' }}>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(330px, 1fr))',
          gap: 1.5,
          alignItems: 'start',
        }}
      >
        {fits !== null && fits.length === 0 && (
          <Empty title="No exercise matches all of that">Leave a word out, or look through the ladders.</Empty>
        )}
        {fits !== null && fits.length > 0 && (
          <Paper variant="panel" component="section" aria-label="Found" sx={{ gridColumn: '1 / -1' }}>
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              Found, most direct and easiest first
            </Typography>
            <Box component="ol" sx={{ m: 0, pl: 0, listStyle: 'none' }}>
              {fits
                .map((key) => exercises.get(key))
                .filter((item) => item !== undefined)
                .map((item) => (
                  <Box component="li" key={item.key} sx={{ borderTop: 1, borderColor: 'divider' }}>
                    <Button
                      onClick={() => onChoose(item.key)}
                      aria-pressed={item.key === shown?.key}
                      fullWidth
                      sx={{ justifyContent: 'space-between', textAlign: 'left', gap: 2, color: 'text.primary' }}
                    >
                      <span>{item.title}</span>
                      <Typography component="span" variant="body2" color="textSecondary">
                        {MODES[item.mode]} · {item.usual} ·{' '}
                        {item.equipment.length === 0 ? 'no equipment' : item.equipment.join(', ')}
                      </Typography>
                    </Button>
                  </Box>
                ))}
            </Box>
          </Paper>
        )}
        {fits === null &&
          ladders.map((ladder) => (
            <Paper key={ladder.key} variant="panel" component="section" aria-label={ladder.title} sx={{ minWidth: 0 }}>
              <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
                <Typography variant="h2" sx={{ flex: 1 }}>
                  {ladder.title}
                </Typography>
                {ladder.version !== null && (
                  <Typography variant="caption" color="primary">
                    our own, version {ladder.version}
                  </Typography>
                )}
                <IfMay what="decide">
                  <Button
                    onClick={() => copy.mutate({ kind: 'ladder', key: ladder.key })}
                    aria-label={`Copy the ladder ${ladder.title}`}
                  >
                    Copy
                  </Button>
                </IfMay>
              </Box>
              <ClimbLadder
                steps={stepsOf(ladder, exercises, structure, CHANGES)}
                chosen={shown?.key ?? null}
                figures={figures}
                onChoose={onChoose}
              />
            </Paper>
          ))}
        {fits === null && beside.length > 0 && (
          <Paper variant="panel" component="section" aria-label="On no ladder">
            <Typography variant="h2" sx={{ mb: 0.5 }}>
              Beside the ladders
            </Typography>
            {beside.map((session) => (
              <Button
                key={session.key}
                onClick={() => onChoose(session.key)}
                aria-pressed={session.key === shown?.key}
                sx={{ display: 'block', color: 'text.primary', textAlign: 'left' }}
              >
                {session.title}
              </Button>
            ))}
          </Paper>
        )}
      </Box>
      {shown !== undefined && (
        <Paper variant="panel" component="section" aria-label="Exercise" sx={{ position: 'sticky', top: 12 }}>
          <ExerciseSheet exercise={shown} library={library} />
          <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
            <IfMay what="decide">
              {shown.version === null ? (
                <Button
                  variant="outlined"
                  loading={copy.isPending}
                  onClick={() => copy.mutate({ kind: 'exercise', key: shown.key })}
                >
                  Copy into our library
                </Button>
              ) : (
                <Button variant="outlined" onClick={() => void navigate(`/library/exercise/${shown.key}`)}>
                  Edit, version {shown.version}
                </Button>
              )}
            </IfMay>
          </Box>
        </Paper>
      )}
    </Box>
  );
}
