/** The font in which pixels are counted. */
export const PIXEL_FONT = "20px 'Source Sans 3 Variable'";
export const PIXEL_FONT_WORDS = 'Source Sans 3 at 20 px';

let context: CanvasRenderingContext2D | null = null;

/** Width of a text in the stated font, in pixels. */
export function pixelWidth(text: string): number {
  context ??= document.createElement('canvas').getContext('2d');
  context!.font = PIXEL_FONT;
  return context!.measureText(text).width;
}
