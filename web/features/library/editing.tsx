import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { createContext, memo, type ReactNode, useContext, useState } from 'react';

import type { Schemas } from '../../api/client';
import { Field } from './Field';
import { at, type Leaf, leaves, moved, type Path, removed, repeated } from './tree';
import type { Library } from './words';

/** What all parts of the form share. What is typed comes to each part by itself, so that the others stand still. */
export interface Editing {
  library: Library;
  criteria: Schemas['Part'][];
  levers: Schemas['Part'][];
  /** Our own: what ships is looked at and copied. */
  own: boolean;
  faults: Record<string, string>;
  /** A single value, whatever else was changed meanwhile. */
  put: (path: Path, value: unknown) => void;
  /** All of it in another shape, made of what it is by then. */
  reshape: (change: (now: unknown) => unknown) => void;
}

export const EditingContext = createContext<Editing | null>(null);

/** The exercises that the programme had when it was opened: those that come in afterwards are open at once. */
export const AsOpenedContext = createContext<ReadonlySet<unknown>>(new Set());

export function useEditing(): Editing {
  const editing = useContext(EditingContext);
  if (editing === null) throw new Error('outside of a programme that is edited');
  return editing;
}

export const list = (value: unknown, path: Path): unknown[] => {
  const found = at(value, path);
  return Array.isArray(found) ? found : [];
};
export const textAt = (value: unknown, path: Path): string => {
  const found = at(value, path);
  return typeof found === 'string' ? found : '';
};

/** Whether a part of the form has the same before it: places and short lists are compared by what they say, what is typed by whether it is the same. */
export function isSamePart<Props extends object>(before: Props, now: Props): boolean {
  const names = Object.keys(now) as (keyof Props)[];
  return (
    names.length === Object.keys(before).length &&
    names.every((name) => {
      const [was, is] = [before[name], now[name]];
      return (
        Object.is(was, is) ||
        (name !== 'value' && Array.isArray(was) && Array.isArray(is) && JSON.stringify(was) === JSON.stringify(is))
      );
    })
  );
}

/** The values that belong to one thing and to nothing inside it. */
export function Fields({
  of,
  value,
  without = [],
  width,
  choices,
}: {
  of: Path;
  value: unknown;
  without?: string[];
  width?: number;
  choices?: (leaf: Leaf) => readonly (readonly [string, string])[] | undefined;
}) {
  const { library, own, faults, put } = useEditing();
  const found = leaves(value, of).filter((leaf) => !without.includes(String(leaf.path[of.length])));
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.25 }}>
      {found.map((leaf) => {
        const place = leaf.path.join('.');
        // Of a dose what is emptied is left out, but for what every dose has.
        const isOptional = leaf.path.includes('dose') && !['sets', 'reps', 'rest_s'].includes(String(leaf.path.at(-1)));
        return (
          <Field
            key={place}
            leaf={leaf}
            library={library}
            disabled={!own}
            fault={faults[place]}
            onChange={(next) => put(leaf.path, isOptional && next === '' ? null : next)}
            choices={choices?.(leaf)}
            width={typeof leaf.value === 'number' || leaf.value === null ? width : undefined}
          />
        );
      })}
    </Box>
  );
}

/** Order, repeat and remove, for a thing of a list. */
export const Order = memo(OrderOf, isSamePart);

function OrderOf({
  path,
  name,
  last,
  repeat = true,
  onRemove,
}: {
  path: Path;
  name: string;
  last: boolean;
  repeat?: boolean;
  onRemove?: () => void;
}) {
  const { own, reshape } = useEditing();
  if (!own) return null;
  return (
    <Box sx={{ whiteSpace: 'nowrap', '& button': { minWidth: 0, px: 0.75, py: 0 } }}>
      <Button
        aria-label={`${name}: up`}
        disabled={path.at(-1) === 0}
        onClick={() => reshape((now) => moved(now, path, -1))}
      >
        ↑
      </Button>
      <Button aria-label={`${name}: down`} disabled={last} onClick={() => reshape((now) => moved(now, path, 1))}>
        ↓
      </Button>
      {repeat && (
        <Button aria-label={`Repeat ${name}`} onClick={() => reshape((now) => repeated(now, path))}>
          Repeat
        </Button>
      )}
      <Button aria-label={`Remove ${name}`} onClick={onRemove ?? (() => reshape((now) => removed(now, path)))}>
        Remove{onRemove === undefined ? '' : ' …'}
      </Button>
    </Box>
  );
}

/** One line of a list inside a stage: what it is, its few values, and its order. */
export function Row({
  path,
  title,
  last,
  children,
}: {
  path: Path;
  title: string;
  last: boolean;
  children?: ReactNode;
}) {
  const { faults } = useEditing();
  const fault = faults[path.join('.')];
  return (
    <Box
      role="group"
      aria-label={title}
      sx={{
        display: 'flex',
        gap: 1.25,
        alignItems: 'center',
        flexWrap: 'wrap',
        borderTop: 1,
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Typography variant="body2" sx={{ width: 190, flexShrink: 0 }}>
        {title}
      </Typography>
      <Box sx={{ flex: 1, display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'center' }}>{children}</Box>
      <Order path={path} name={title} last={last} repeat={false} />
      {fault !== undefined && (
        <Typography color="error" variant="body2" sx={{ width: '100%' }}>
          {fault}
        </Typography>
      )}
    </Box>
  );
}

/** Adds one of several things to a list. */
export function AddMenu({
  label,
  options,
  onAdd,
}: {
  label: string;
  options: readonly { key: string; title: string; content: unknown }[];
  onAdd: (content: unknown, key: string) => void;
}) {
  const [from, setFrom] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setFrom(event.currentTarget)}>
        {label} …
      </Button>
      <Menu anchorEl={from} open={from !== null} onClose={() => setFrom(null)}>
        {options.map((option) => (
          <MenuItem
            key={option.key}
            onClick={() => {
              setFrom(null);
              onAdd(option.content, option.key);
            }}
          >
            {option.title[0]?.toUpperCase()}
            {option.title.slice(1)}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
