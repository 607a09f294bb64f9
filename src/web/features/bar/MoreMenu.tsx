import { MoreHorizontal } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ColumnActs } from './acts';
import type { BarBrew } from './brews';

/** What is done seldom to a brew. */
export function MoreMenu({ brew, acts }: { brew: BarBrew; acts: ColumnActs }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn more" aria-label={`More for ${brew.tea.name}`}><MoreHorizontal size={20} strokeWidth={2} /></DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="pop" sideOffset={6} align="end">
          <DropdownMenu.Item onSelect={() => acts.working(brew)}>How this was worked out</DropdownMenu.Item>
          {brew.state.kind === 'pulled' && <DropdownMenu.Item onSelect={() => acts.undo(brew)}>Not lifted: steep on</DropdownMenu.Item>}
          <DropdownMenu.Item onSelect={() => acts.giveUp(brew)}>Give it up</DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
