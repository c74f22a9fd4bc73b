import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { X } from 'lucide-react';

interface Props {
  title: string;
  about?: ReactNode;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  wide?: boolean;
}

/** A sheet over the page; Esc closes it, the focus stays inside. */
export function Dialog({ title, about, open, onClose, children, wide = false }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[color-mix(in_srgb,var(--ink)_38%,transparent)]" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed top-1/2 left-1/2 z-50 flex max-h-[calc(100dvh-32px)] w-[calc(100vw-24px)] -translate-x-1/2 -translate-y-1/2 flex-col border border-ink bg-sheet ${wide ? 'max-w-3xl' : 'max-w-xl'}`}
        >
          <div className="flex items-start gap-4 border-b border-rule px-5 pt-4 pb-3">
            <div className="min-w-0 flex-1">
              <Radix.Title className="text-code break-words">{title}</Radix.Title>
              {about && <div className="text-note text-quiet">{about}</div>}
            </div>
            <Radix.Close className="-mt-2 -mr-3 grid size-11 place-items-center" aria-label="Close">
              <X size={20} aria-hidden />
            </Radix.Close>
          </div>
          <div className="overflow-y-auto px-5 py-4">{children}</div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
