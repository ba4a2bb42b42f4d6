import type { ReactNode } from 'react';

import type { Schemas } from '../api/client';
import { useMay } from './useSignedIn';

/** Shown to those alone whose role allows it; the server decides all the same. */
export function IfMay({ what, children }: { what: Schemas['Permission']; children: ReactNode }) {
  return useMay()(what) ? children : null;
}
