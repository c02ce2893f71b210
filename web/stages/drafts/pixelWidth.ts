import { t } from '../../words/t';

/** The font in which pixels are counted. */
export const PIXEL_FONT = "20px 'Source Sans 3 Variable'";
export const PIXEL_FONT_WORDS = t('drafts:pixelWidth.sourceSans3At20Px');

let context: CanvasRenderingContext2D | null = null;

/** Width of a text in the stated font, in pixels. */
export function pixelWidth(text: string): number {
  context ??= document.createElement('canvas').getContext('2d');
  context!.font = PIXEL_FONT;
  return context!.measureText(text).width;
}
