import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
  type DragEndEvent,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { useState } from 'react';
import { View } from 'react-native';
import { fromAbove } from '@/core/pictures/fromAbove';
import { SavePicture } from './Frame';
import { useTap } from './press/useTap';
import { color, font } from './tokens';

/** A thing on the map. */
export interface PlacedItem {
  id: string;
  name: string;
  /** cm from the left, and from the front. */
  x: number;
  z: number;
  /** How far it reaches, cm; a ring is drawn at it. */
  stingRange: number;
  /** Something stands against its place. */
  trouble: boolean;
}

/** Half of a mark, px: as wide as a thumb. */
const HALF = 22;

/** A tank from above, to scale, on which things are put by a finger, a pointer, or arrow keys, a centimetre a press. */
export function PlacingMap({
  label,
  widthCm,
  depthCm,
  items,
  chosen,
  onChoose,
  onMove,
}: {
  label: string;
  widthCm: number;
  depthCm: number;
  items: readonly PlacedItem[];
  chosen: string | null;
  onChoose: (id: string) => void;
  onMove: (id: string, x: number, z: number) => void;
}) {
  const [width, setWidth] = useState(0);
  const scale = width / widthCm;
  const height = depthCm * scale;
  const byKeys: KeyboardCoordinateGetter = (event, { currentCoordinates: { x, y } }) => {
    switch (event.code) {
      case 'ArrowRight':
        return { x: x + scale, y };
      case 'ArrowLeft':
        return { x: x - scale, y };
      case 'ArrowDown':
        return { x, y: y + scale };
      case 'ArrowUp':
        return { x, y: y - scale };
      default:
        return undefined;
    }
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: byKeys }),
  );
  const ended = ({ active, delta }: DragEndEvent) => {
    const item = items.find(({ id }) => id === active.id);
    if (!item || scale === 0) return;
    const within = (value: number, most: number) => Math.round(Math.min(most, Math.max(0, value)));
    // The back pane is drawn above, the front one below.
    onMove(
      item.id,
      within(item.x + delta.x / scale, widthCm),
      within(item.z - delta.y / scale, depthCm),
    );
  };
  const nameOf = (id: unknown) => items.find((item) => item.id === id)?.name ?? '';
  return (
    <View
      role="group"
      aria-label={label}
      onLayout={(event) => setWidth(event.nativeEvent.layout.width)}
      style={{ width: '100%' }}
    >
      {width > 0 ? (
        <DndContext
          sensors={sensors}
          onDragEnd={ended}
          accessibility={{
            screenReaderInstructions: {
              draggable: 'Space lifts it, arrow keys move it by a centimetre, space puts it down.',
            },
            announcements: {
              onDragStart: ({ active }) => `${nameOf(active.id)} lifted.`,
              onDragOver: () => undefined,
              onDragEnd: ({ active }) => `${nameOf(active.id)} put down.`,
              onDragCancel: ({ active }) => `${nameOf(active.id)} left where it was.`,
            },
          }}
        >
          <div
            style={{
              position: 'relative',
              width,
              height,
              background: color.shoal1,
              border: `1px solid ${color.edge}`,
              boxSizing: 'border-box',
              overflow: 'hidden',
            }}
          >
            {items.map((item) => (
              <Mark
                key={item.id}
                item={item}
                left={item.x * scale}
                top={height - item.z * scale}
                stingRange={item.stingRange * scale}
                chosen={item.id === chosen}
                onChoose={() => onChoose(item.id)}
              />
            ))}
          </div>
        </DndContext>
      ) : null}
      {items.length > 0 ? (
        <SavePicture of={() => fromAbove(`${label}.`, widthCm, depthCm, items)} />
      ) : null}
    </View>
  );
}

function Mark({
  item,
  left,
  top,
  stingRange,
  chosen,
  onChoose,
}: {
  item: PlacedItem;
  left: number;
  top: number;
  stingRange: number;
  chosen: boolean;
  onChoose: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: item.id,
  });
  const [target, refused] = useTap(item.id);
  const [dx, dy] = [transform?.x ?? 0, transform?.y ?? 0];
  return (
    <>
      {stingRange > 0 ? (
        <div
          aria-hidden
          style={{
            position: 'absolute',
            left: left + dx - stingRange,
            top: top + dy - stingRange,
            width: 2 * stingRange,
            height: 2 * stingRange,
            boxSizing: 'border-box',
            borderRadius: '50%',
            border: `1.5px ${item.trouble ? 'solid' : 'dashed'} ${item.trouble ? color.magenta : color.inkSoft}`,
            pointerEvents: 'none',
          }}
        />
      ) : null}
      <div
        ref={(one) => {
          target(one);
          setNodeRef(one);
        }}
        {...attributes}
        {...listeners}
        onClick={(event) => {
          if (!refused(event)) onChoose();
        }}
        aria-label={`${item.name}, ${Math.round(item.x)} cm from the left, ${Math.round(item.z)} from the front${item.trouble ? ', something stands against it' : ''}`}
        aria-pressed={chosen}
        style={{
          position: 'absolute',
          left: left - HALF,
          top: top - HALF,
          width: 2 * HALF,
          height: 2 * HALF,
          transform: `translate(${dx}px, ${dy}px)`,
          display: 'flex',
          alignItems: 'center',
          justifyContent: 'center',
          touchAction: 'none',
          cursor: isDragging ? 'grabbing' : 'grab',
          zIndex: isDragging || chosen ? 2 : 1,
        }}
      >
        <div
          style={{
            width: 30,
            height: 30,
            borderRadius: '50%',
            display: 'flex',
            alignItems: 'center',
            justifyContent: 'center',
            background: chosen ? color.ink : color.raised,
            color: chosen ? color.paper : color.ink,
            border: `2px solid ${item.trouble ? color.magenta : color.ink}`,
            boxSizing: 'border-box',
            fontFamily: font.sans,
            fontSize: 12,
            fontWeight: 600,
          }}
        >
          {[...item.name].slice(0, 2).join('')}
        </div>
      </div>
    </>
  );
}
