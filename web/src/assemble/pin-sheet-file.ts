import type { PinMapModel } from '../drawing/pin-map-model';

/** A pin map as an SVG file whose millimetres are millimetres: to print and pin through. */
export function pinSheetSvg(model: PinMapModel, title: string): Blob {
  const width = 2 * model.half + 24;
  const height = model.height + 34;
  const escaped = (words: string): string => words.replace(/[&<>"]/g, (char) => `&#${char.charCodeAt(0)};`);
  const text = (x: number, y: number, words: string, anchor = 'middle'): string =>
    `<text x="${x}" y="${y}" text-anchor="${anchor}">${escaped(words)}</text>`;
  const rounds = model.rounds.map(
    ({ band, stitches, from, to, number, told }) =>
      `<path d="${band}" fill="none" stroke="#bbb" stroke-width="0.15"/><path d="${stitches}" fill="none" stroke="#999" stroke-width="0.25"/>${told ? text(-model.half - 1.5, (from.y + to.y) / 2 + 1, `R${number}`, 'end') : ''}`,
  );
  const features = model.features.map(({ kind, x, y, width: w, height: h, pins, place, line }) => {
    const shape =
      kind === 'around'
        ? `<path d="${line}" fill="none" stroke="#000" stroke-width="0.7"/>`
        : pins.length > 1
          ? `<path d="M${pins.map((pin) => `${pin.x} ${pin.y}`).join('L')}" fill="none" stroke="#000" stroke-width="0.5"/>`
          : `<ellipse cx="${x}" cy="${y}" rx="${w / 2}" ry="${h / 2}" fill="none" stroke="#000" stroke-width="0.4" stroke-dasharray="1 0.7"/>`;
    const holes =
      kind === 'around'
        ? ''
        : pins
            .map((pin) => `<circle cx="${pin.x}" cy="${pin.y}" r="0.9" fill="#000"/>${text(pin.x, pin.y - 2, pin.words)}`)
            .join('');
    return `${shape}${holes}${text(x, y + h / 2 + 4, place.feature.copies.length > 1 ? `${place.feature.name} ${place.copy}` : place.feature.name)}`;
  });
  const ruler = `<path d="M-50 ${model.height + 14}H50M-50 ${model.height + 12}v4M50 ${model.height + 12}v4M0 ${model.height + 13}v2" fill="none" stroke="#000" stroke-width="0.3"/>${text(0, model.height + 20, '100 mm: measure it before you pin')}`;
  const body = [
    `<title>${escaped(`${title}, ${model.wall.name}`)}</title>`,
    ...rounds,
    `<path d="${model.start}" fill="none" stroke="#000" stroke-width="0.5" stroke-dasharray="2 1"/>`,
    `<path d="M0 -3V${model.height + 3}" stroke="#000" stroke-width="0.3"/>`,
    text(0, -4.5, 'front'),
    ...features,
    ruler,
  ].join('');
  return new Blob(
    [
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="${-model.half - 12} -10 ${width} ${height}" font-family="sans-serif" font-size="3.4">${body}</svg>`,
    ],
    { type: 'image/svg+xml' },
  );
}
