/** @jest-environment ./test/web/environment.mjs */
import { cleanup, render } from '@testing-library/react';
import { startingRecipe } from '#core/recipes';
import { grams, millilitres } from '#core/units';
import { VESSEL_KINDS } from '#core/vessels';
import { houseLiquorOf } from '../../src/web/entities/teas/liquor';
import { VesselDrawing } from '../../src/web/entities/vessels/VesselDrawing';

afterEach(cleanup);

const liquor = houseLiquorOf({ style: 'black-whole', fitted: null }, startingRecipe('black-whole'));

test.each(VESSEL_KINDS)('a %s with liquor: what cuts and fills it is in the drawing', (kind) => {
  const { container } = render(
    <VesselDrawing
      vessel={{
        kind,
        brim: millilitres(620),
        mark: millilitres(500),
        basket: kind === 'tasting' ? null : millilitres(200),
        infuser: kind === 'tasting' ? 'free' : 'deep',
        material: 'glass',
      }}
      scale={0.8}
      label="A vessel"
      fill={millilitres(500)}
      leaf={grams(6)}
      liquor={liquor}
      level
      lid
    />,
  );
  const used = [...container.innerHTML.matchAll(/url\(#([^)]+)\)/g)].map(([, id]) => id);
  // The pattern of leaf is the page's own, there once for every drawing.
  const own = new Set(used.filter((id) => id !== 'leaf-pattern'));
  expect(own.size).toBeGreaterThan(1);
  const ids = [...container.querySelectorAll('[id]')].map((e) => e.id);
  for (const id of own) expect(ids).toContain(id);
});
