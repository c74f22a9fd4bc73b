let context: CanvasRenderingContext2D | null | undefined;

/** Width of a text as it will be drawn, px. @param font - CSS font, as in `13px Name` */
export function measureText(text: string, font = "13px 'Atkinson Hyperlegible Next Variable'"): number {
  context ??= document.createElement('canvas').getContext('2d');
  if (!context) return text.length * 7;
  context.font = font;
  return context.measureText(text).width;
}
