import {
  CanvasTexture,
  Color,
  MeshPhysicalMaterial,
  MeshStandardMaterial,
  RepeatWrapping,
  DoubleSide,
  type Texture,
} from 'three';

/** How a yarn looks: smooth plied cotton, or plush with a pile. */
export type YarnLook = 'cotton' | 'plush';

const SIZE = 64;

/** Seeded, so that every picture of a figure is the same. */
function noise(seed: number): () => number {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** The turns of a plied strand as heights; of plush hardly any, and a pile over them. */
function plies(look: YarnLook): Texture {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIZE;
  const context = canvas.getContext('2d')!;
  const image = context.createImageData(SIZE, SIZE);
  const random = noise(7);
  const [turns, pile] = look === 'cotton' ? [0.7, 0.1] : [0.2, 0.6];
  for (let y = 0; y < SIZE; y++)
    for (let x = 0; x < SIZE; x++) {
      const ply = Math.pow(Math.sin(Math.PI * (((2 * (x + y)) / SIZE) % 1)), 0.6);
      const height = 255 * Math.min(1, Math.max(0, 0.25 + turns * ply + pile * (random() - 0.5)));
      image.data.set([height, height, height, 255], 4 * (y * SIZE + x));
    }
  context.putImageData(image, 0, 0);
  const texture = new CanvasTexture(canvas);
  texture.wrapS = texture.wrapT = RepeatWrapping;
  texture.repeat.set(2.5, 1);
  return texture;
}

/** How much lighter smooth yarn is where it turns away from whoever looks (our own estimate). */
const GLEAM = 0.32;

/** The sheen of cotton: a lighter rim, which costs next to nothing; three's own takes as long to draw as all the rest. */
function gleaming(material: MeshStandardMaterial): MeshStandardMaterial {
  material.onBeforeCompile = (shader) => {
    shader.fragmentShader = shader.fragmentShader.replace(
      '#include <opaque_fragment>',
      `float away = 1.0 - clamp(dot(normal, normalize(vViewPosition)), 0.0, 1.0);
      outgoingLight += ${GLEAM.toFixed(2)} * away * away * away * (0.35 + diffuseColor.rgb);
      #include <opaque_fragment>`,
    );
  };
  return material;
}

export function yarnMaterial(look: YarnLook): MeshStandardMaterial {
  if (look === 'cotton') return gleaming(new MeshStandardMaterial({ roughness: 0.86, bumpMap: plies(look), bumpScale: 2.2 }));
  return new MeshPhysicalMaterial({
    roughness: 1,
    sheen: 0.7,
    sheenRoughness: 0.35,
    sheenColor: new Color('#ffffff'),
    bumpMap: plies(look),
    bumpScale: 3.4,
  });
}

/** What lies behind the stitches, so that nothing shows through. */
export function liningMaterial(): MeshStandardMaterial {
  return new MeshStandardMaterial({ vertexColors: true, roughness: 1, side: DoubleSide });
}

/** Yarn as it is lit: neither so black nor so white that its stitches cannot be told. */
export function litColour(css: string): Color {
  const colour = new Color(css);
  const hsl = { h: 0, s: 0, l: 0 };
  colour.getHSL(hsl);
  return colour.setHSL(hsl.h, hsl.s, Math.min(0.9, Math.max(0.13, hsl.l * 0.94)));
}
