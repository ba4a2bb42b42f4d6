import { useHotkeys } from 'react-hotkeys-hook';

/** The keys of the desk, as the list under `?` shows them. */
export const KEYS: [string, string][] = [
  ['j / k', 'Round: next / previous case'],
  ['a', 'look at the proposal and accept it'],
  ['c', 'change it: prescribe by hand, beginning with the proposal'],
  ['o', 'Round: open the case'],
  ['n', 'Round: nudge a silent athlete'],
  ['u', 'undo the last decision'],
  ['p', 'case: prescribe'],
  ['v', 'case: visit, to measure and try'],
  ['f', 'case: flare plan'],
  ['← / →', 'case: the session before / after, when the chart has the focus'],
  ['/', 'search'],
  ['?', 'this list'],
];

/** Whether a key press belongs to a field that is being typed in, to a dialog or menu, or to the browser. */
const belongsElsewhere = (event: KeyboardEvent): boolean =>
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  (event.target instanceof HTMLElement &&
    event.target.closest('input, textarea, select, [role="dialog"], [role="listbox"], [role="menu"]') !== null);

/** Does something when a key of KEYS is pressed, whatever the layout of the keyboard, as long as `enabled`. */
export function useKey(key: string, onPress: () => void, enabled = true): void {
  useHotkeys(key, onPress, {
    enabled,
    // "?" is a key of its own here, though some keyboards need Shift for it.
    useKey: true,
    ignoreModifiers: true,
    preventDefault: true,
    ignoreEventWhen: belongsElsewhere,
  });
}
