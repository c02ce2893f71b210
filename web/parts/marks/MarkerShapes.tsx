import type { Marker } from '@opsimath/contract/api/markers';
import type { MarkerShape } from '@opsimath/core/sift/sieve';
import './marks.css';

const PATHS: Record<MarkerShape, string> = {
  star: 'M6 1l1.5 3.3 3.5.4-2.6 2.4.7 3.5L6 8.8 2.9 10.6l.7-3.5L1 4.7l3.5-.4z',
  flag: 'M2 1v10M2 1.5h8L7.5 4 10 6.5H2',
  triangle: 'M6 1.5l5 9H1z',
  square: 'M2 2h8v8H2z',
  hexagon: 'M6 1l4.4 2.5v5L6 11 1.6 8.5v-5z',
  cross: 'M2 2l8 8M10 2l-8 8',
  hook: 'M1.5 6.5l3 3.5L10.5 2',
  wave: 'M1 7c2-5 3-5 5-1s3 4 5-1',
};

/** The shape of a marker: what it means is told by its name. */
export function MarkerShapeMark({ shape, name }: { shape: MarkerShape; name: string }) {
  return (
    <svg className="marker-shape" viewBox="0 0 12 12" role="img" aria-label={name}>
      <title>{name}</title>
      <path d={PATHS[shape]} />
    </svg>
  );
}

/** The markers of one keyword. */
export function MarkerRow({ ids, markers }: { ids: readonly number[]; markers: readonly Marker[] }) {
  return ids.map((id) => {
    const marker = markers.find((other) => other.id === id);
    return marker && <MarkerShapeMark key={id} shape={marker.shape} name={marker.name} />;
  });
}
