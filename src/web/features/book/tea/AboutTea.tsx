import { Link } from 'react-router';
import { bagOf, leafAdvice, measureOf } from '#core/teas';
import type { LeadNote, Tea } from '#contracts/teas';
import { useSettleNoteMutation } from '../../../entities/teas/api';
import { clockText, dayText } from '../../../ui/days';
import { Note } from '../../../ui/Note';
import { LeafPhoto } from '../LeafPhoto';
import { MeasuredColour } from '../MeasuredColour';
import { PacketReading, usePacket } from '../Packet';

/** What is known of the leaf itself: the packet beside what it means here, the blend, cautions. */
export function AboutTea({ tea, lead, onEdit }: { tea: Tea; lead: boolean; onEdit: () => void }) {
  const advice = leafAdvice(tea.leaf).join(' ');
  const packet = usePacket({
    packet: tea.packet,
    style: tea.style,
    method: tea.method,
    weighing: measureOf(tea).weighing,
    bag: bagOf(tea),
  });
  return (
    <section aria-label="The leaf">
      <div className="flex items-end gap-3 mt-4">
        <h2 className="flex-1">The leaf</h2>
        {lead && (
          <button type="button" className="btn slim" onClick={onEdit}>
            Edit the tea
          </button>
        )}
      </div>
      <LeafPhoto tea={tea} lead={lead} />
      {tea.packet && (
        <>
          <p>The packet: “{tea.packet}”</p>
          <PacketReading packet={packet} style={tea.style} onTake={null} />
        </>
      )}
      {tea.blend && <p>Blended with {tea.blend}.</p>}
      {tea.allergens && (
        <p>
          <b>Allergens:</b> {tea.allergens}.
        </p>
      )}
      {tea.colour && <MeasuredColour tea={tea} colour={tea.colour} />}
      <p className="small">
        {[advice, tea.caffeine && `${tea.caffeine}.`, tea.cautions, tea.note]
          .filter(Boolean)
          .join(' ')}
      </p>
    </section>
  );
}

export function Notes({
  notes,
  lead,
  onVersion,
}: {
  notes: readonly LeadNote[];
  lead: boolean;
  onVersion: () => void;
}) {
  const [settle] = useSettleNoteMutation();
  if (notes.length === 0) return null;
  return (
    <div className="mt-3 grid gap-2">
      <h2>
        Noted at the bar<small>corrections brewers would make</small>
      </h2>
      {notes.slice(0, 4).map((n) => (
        <Note
          key={n.id}
          action={
            lead && (
              <span className="flex gap-1">
                <button type="button" className="btn slim" onClick={onVersion}>
                  Take it up
                </button>
                <button type="button" className="btn quiet slim" onClick={() => void settle(n.id)}>
                  Set aside
                </button>
              </span>
            )
          }
        >
          <b>{n.headline}.</b> {n.change} Found {n.found}.{' '}
          <span className="small">
            {n.by.name}
            {n.fromTrainee ? ' (trainee)' : ''}, {dayText(n.at)} {clockText(n.at)}.{' '}
            {n.batchId === null ? (
              <Link to={`/log/${n.brewId ?? ''}`}>The brew</Link>
            ) : (
              <Link to={`/cold/${n.batchId}`}>The batch</Link>
            )}
          </span>
        </Note>
      ))}
      {notes.length > 4 && <p className="small">And {notes.length - 4} more.</p>}
    </div>
  );
}
