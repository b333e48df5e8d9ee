import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import GripVertical from 'lucide-react-native/icons/grip-vertical';
import type { ReactNode } from 'react';
import { color, touch } from './tokens';

/** A list whose rows are put in another order by a finger, a pointer, or by space and arrow keys. */
export function SortableList<T extends { id: string }>({
  label,
  items,
  nameOf,
  onMove,
  render,
}: {
  label: string;
  items: readonly T[];
  nameOf: (item: T) => string;
  /** Told where an item was put: its place among the others, from 0. */
  onMove: (id: string, place: number) => void;
  render: (item: T) => ReactNode;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ended = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    onMove(
      String(active.id),
      items.findIndex(({ id }) => id === over.id),
    );
  };
  const called = (id: unknown) => {
    const item = items.find((one) => one.id === id);
    return item ? nameOf(item) : '';
  };
  const place = (id: unknown) => items.findIndex((one) => one.id === id) + 1;
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={ended}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space lifts it, arrow keys move it, space puts it down, escape leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `${called(active.id)} lifted, place ${place(active.id)}.`,
          onDragOver: ({ active, over }) =>
            over ? `${called(active.id)} over place ${place(over.id)}.` : undefined,
          onDragEnd: ({ active, over }) =>
            over ? `${called(active.id)} put at place ${place(over.id)}.` : undefined,
          onDragCancel: ({ active }) => `${called(active.id)} left where it was.`,
        },
      }}
    >
      <SortableContext items={items.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        <div role="list" aria-label={label}>
          {items.map((item) => (
            <SortableRow key={item.id} id={item.id} name={nameOf(item)}>
              {render(item)}
            </SortableRow>
          ))}
        </div>
      </SortableContext>
    </DndContext>
  );
}

function SortableRow({ id, name, children }: { id: string; name: string; children: ReactNode }) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <div
      ref={setNodeRef}
      role="listitem"
      style={{
        display: 'flex',
        alignItems: 'stretch',
        transform: CSS.Transform.toString(transform),
        transition,
        position: 'relative',
        zIndex: isDragging ? 1 : 0,
        background: isDragging ? color.shoal1 : undefined,
        borderBottom: `1px solid ${color.rule}`,
      }}
    >
      <div style={{ flex: 1, minWidth: 0 }}>{children}</div>
      <div
        {...attributes}
        {...listeners}
        aria-label={`Move ${name}`}
        style={{
          width: touch,
          flexShrink: 0,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
          cursor: 'grab',
          touchAction: 'none',
        }}
      >
        <GripVertical size={20} color={color.inkSoft} />
      </div>
    </div>
  );
}
