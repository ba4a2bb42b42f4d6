import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { type KeyboardEvent, useId, useRef } from 'react';

const PAIN: Readonly<Record<number, string>> = { 0: 'none', 3: 'mild', 5: 'clear', 8: 'severe' };

/** What is allowed in an exercise: up to where, from where it is wanted, and from where it means stop. */
export interface Zones {
  max: number;
  wanted: number | null;
  stop: number;
}

type Zone = 'allowed' | 'over' | 'stop';

const MARK: Record<Zone, string> = { allowed: '', over: '▲', stop: '■' };
const EDGE: Record<Zone, string> = { allowed: 'solid', over: 'dashed', stop: 'double' };
const HUE: Record<Zone, string> = { allowed: 'divider', over: 'over.main', stop: 'stop.main' };

const zoneOf = (zones: Zones, pain: number): Zone =>
  pain >= zones.stop ? 'stop' : pain > zones.max ? 'over' : 'allowed';

const span = (from: number, to: number): string => (from === to ? String(from) : `${from} to ${to}`);

/** One tap on a row from 0 to 10; by keys the arrows go along it and Enter or space takes one. */
export function PainRow({
  label,
  value,
  onChoose,
  fault,
  zones,
  words = PAIN,
}: {
  label: string;
  value: number | null;
  onChoose: (value: number) => void;
  fault?: string | undefined;
  zones?: Zones;
  words?: Readonly<Record<number, string>>;
}) {
  const group = useRef<HTMLDivElement>(null);
  const id = useId();
  const move = (event: KeyboardEvent, from: number) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step === undefined) return;
    event.preventDefault();
    group.current?.querySelectorAll<HTMLElement>('[role=radio]')[(from + step + 11) % 11]?.focus();
  };
  return (
    <Box role="radiogroup" aria-label={label} ref={group}>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(max(2.9rem, 15%), 1fr))', gap: 0.75 }}>
        {Array.from({ length: 11 }, (_, i) => {
          const zone = zones === undefined ? 'allowed' : zoneOf(zones, i);
          return (
            <ButtonBase
              key={i}
              role="radio"
              aria-checked={value === i}
              aria-label={words[i] === undefined ? String(i) : `${i}, ${words[i]}`}
              aria-describedby={zones === undefined ? undefined : `${id}-${zone}`}
              tabIndex={(value ?? 0) === i ? 0 : -1}
              onKeyDown={(event) => move(event, i)}
              onClick={() => onChoose(i)}
              sx={{
                position: 'relative',
                minHeight: '3.25rem',
                borderRadius: 1.5,
                border: zone === 'stop' ? 4 : 2,
                borderStyle: EDGE[zone],
                flexDirection: 'column',
                fontSize: '1.25rem',
                fontWeight: 600,
                borderColor: value === i ? 'primary.main' : HUE[zone],
                bgcolor: value === i ? 'primary.main' : 'background.paper',
                color: value === i ? 'primary.contrastText' : 'text.primary',
              }}
            >
              <span aria-hidden="true">
                {i}
                {MARK[zone] !== '' && (
                  <Box
                    component="span"
                    sx={{
                      position: 'absolute',
                      top: 2,
                      right: 4,
                      fontSize: '0.6875rem',
                      color: value === i ? 'inherit' : HUE[zone],
                    }}
                  >
                    {MARK[zone]}
                  </Box>
                )}
              </span>
              <Box component="span" sx={{ fontSize: '0.75rem', fontWeight: 400, lineHeight: 1 }}>
                {words[i] ?? ''}
              </Box>
            </ButtonBase>
          );
        })}
      </Box>
      {zones !== undefined && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, mt: 0.75, fontSize: '0.9375rem' }}>
          <span id={`${id}-allowed`}>
            {zones.wanted === null ? `${span(0, zones.max)} allowed` : `${span(zones.wanted, zones.max)} wanted`}
          </span>
          {zones.stop - 1 > zones.max && (
            <Box component="span" id={`${id}-over`}>
              <Box component="span" sx={{ color: 'over.main' }} aria-hidden="true">
                ▲{' '}
              </Box>
              {span(zones.max + 1, zones.stop - 1)} too much
            </Box>
          )}
          <Box component="span" id={`${id}-stop`}>
            <Box component="span" sx={{ color: 'stop.main' }} aria-hidden="true">
              ■{' '}
            </Box>
            {span(zones.stop, 10)} stop
          </Box>
        </Box>
      )}
      {fault !== undefined && (
        <Typography color="error" sx={{ mt: 0.5 }}>
          {fault}
        </Typography>
      )}
    </Box>
  );
}
