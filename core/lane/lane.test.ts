import fc from 'fast-check';
import { TAB, laneScale, placeTabs } from './laneScale';

test('tabs never cover each other, stand in the order of their positions, and keep their true place', () => {
  const sides = fc.array(
    fc.record({ organic: fc.oneof(fc.integer({ min: 1, max: 100 }), fc.constantFrom('absent', 'unknown')) }),
    { maxLength: 8 },
  );
  fc.assert(
    fc.property(sides, fc.integer({ min: 200, max: 500 }), (rivals, width) => {
      const scale = laneScale(width);
      const placed = placeTabs(
        rivals as { organic: number | 'absent' | 'unknown' }[],
        scale.at,
        scale.track.to,
      );
      expect(placed).toHaveLength(rivals.filter(({ organic }) => typeof organic === 'number').length);
      placed.forEach(({ side, at, left }, n) => {
        expect(at).toBe(scale.at(side.organic as number));
        const next = placed[n + 1];
        if (!next) return;
        expect(Number(next.side.organic)).toBeGreaterThanOrEqual(Number(side.organic));
        // At the far end there is no room left: they may come together there, never turn round.
        expect(next.left - left).toBeGreaterThanOrEqual(
          next.left >= scale.track.to + TAB ? 0 : TAB + 1 - 1e-9,
        );
      });
    }),
  );
});
