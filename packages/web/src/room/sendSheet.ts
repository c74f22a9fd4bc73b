import type { ComponentType } from 'react';

/** What is opened when animals are sent to another tank; handed to a page, since transfers are a later area. */
export type SendSheet = ComponentType<{
  fromTankId: string;
  toTankId?: string;
  lotId?: string;
  close: () => void;
}>;
