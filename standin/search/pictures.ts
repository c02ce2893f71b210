import { Draws, hashText, mix } from '../random';
import type { WorldDocument } from '../world/document';

const GROUNDS = ['#e9e3d6', '#d8e2dc', '#e6dad2', '#d6dde6', '#efe9dc'];
const CLOTHS = ['#3f6f73', '#8a5a44', '#5b6b3a', '#7b4b6a', '#44546a', '#a8833f'];

/** How a picture shows the thing. */
type Scene = 'alone' | 'ridden' | 'carried' | 'near';
const SCENES: readonly Scene[] = ['alone', 'alone', 'ridden', 'carried', 'near'];

/** The picture of a document as a data address: a drawn bag, the same for the same document for ever. */
export function pictureOf(document: WorldDocument): string {
  const draws = new Draws(mix(document.seed, hashText(document.address)));
  const ground = draws.one(GROUNDS);
  const cloth = draws.one(CLOTHS);
  const scene = draws.one(SCENES);
  const drawn =
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 96 72"><rect width="96" height="72" fill="${ground}"/>` +
    `${SCENE_DRAWN[scene](cloth, draws.between(-6, 6))}</svg>`;
  return `data:image/svg+xml;utf8,${encodeURIComponent(drawn)}`;
}

const bag = (x: number, y: number, size: number, cloth: string): string =>
  `<rect x="${x}" y="${y}" width="${size}" height="${size * 0.9}" rx="${size * 0.14}" fill="${cloth}"/>` +
  `<rect x="${x}" y="${y}" width="${size}" height="${size * 0.28}" rx="${size * 0.12}" fill="#00000030"/>` +
  `<path d="M${x + size * 0.3} ${y}v-${size * 0.14}h${size * 0.4}v${size * 0.14}" fill="none" stroke="#3a342b" stroke-width="2"/>`;
const wheel = (x: number): string =>
  `<circle cx="${x}" cy="52" r="13" fill="none" stroke="#3a342b" stroke-width="2"/>`;

const SCENE_DRAWN: Record<Scene, (cloth: string, shift: number) => string> = {
  alone: (cloth, shift) => bag(32 + shift, 20, 34, cloth),
  near: (cloth, shift) => bag(8 + shift, 2, 84, cloth),
  ridden: (cloth, shift) =>
    `${wheel(26)}${wheel(72)}<path d="M26 52L44 30H64L72 52M44 30L50 52" fill="none" stroke="#3a342b" stroke-width="2"/>` +
    bag(14 + shift / 2, 34, 18, cloth),
  carried: (cloth, shift) =>
    `<circle cx="${40 + shift}" cy="16" r="7" fill="#b98f6b"/><path d="M${33 + shift} 24h14l4 40h-22z" fill="#5a5148"/>` +
    bag(50 + shift, 36, 20, cloth),
};
