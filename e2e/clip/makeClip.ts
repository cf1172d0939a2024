import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import {
  ask,
  barrels,
  beatsS,
  frameOf,
  framesASecond,
  horseAt,
  lengthS,
  outline,
  post,
  scoreLine,
  seen,
  type Camera,
  type Point,
} from './truth';

/** What is drawn in one frame, in pixels. */
interface Frame {
  horse: Point;
  lands: boolean;
  reinTaken: boolean;
}

interface Scene {
  width: number;
  height: number;
  framesASecond: number;
  fence: Point[];
  barrels: Point[];
  post: Point;
  line: [Point, Point];
  frames: Frame[];
}

/** Frames from a moment of the run on, so many. */
function scene(camera: Camera, fromFrame: number, count: number): Scene {
  const at = (point: Point) => seen(camera, point);
  const beats = new Set(beatsS.map(frameOf));
  return {
    width: camera.width,
    height: camera.height,
    framesASecond,
    fence: outline.map(at),
    barrels: barrels.map(at),
    post: at(post.at),
    line: [at([scoreLine[0] - 20, scoreLine[1]]), at([scoreLine[0] + 20, scoreLine[1]])],
    frames: Array.from({ length: count }, (_, index) => {
      const frame = fromFrame + index;
      return {
        // A frame stands for the moment in its middle.
        horse: at(horseAt((frame + 0.5) / framesASecond)),
        lands: beats.has(frame),
        reinTaken: frame >= ask.takenFrame && frame < ask.gaveFrame,
      };
    }),
  };
}

export const allFrames = Math.round(lengthS * framesASecond);

/** Draws the run and encodes it in the browser, as WebM with VP8: what any browser shows. */
export async function makeClip(
  page: Page,
  camera: Camera,
  fromFrame = 0,
  count = allFrames - fromFrame,
): Promise<Buffer> {
  const encoder = readFileSync(
    new URL('../node_modules/mediabunny/dist/bundles/mediabunny.min.cjs', import.meta.url),
    'utf8',
  );
  await page.evaluate(`{ ${encoder}; globalThis.Mediabunny = Mediabunny; }`);
  const base64 = await page.evaluate(draw, scene(camera, fromFrame, count));
  return Buffer.from(base64, 'base64');
}

/** Runs in the page. */
async function draw(of: Scene): Promise<string> {
  const { Mediabunny } = globalThis as unknown as {
    Mediabunny: typeof import('mediabunny');
  };
  const canvas = new OffscreenCanvas(of.width, of.height);
  const pen = canvas.getContext('2d')!;
  const path = (points: Point[]) => {
    pen.beginPath();
    for (const [x, y] of points) pen.lineTo(x, y);
  };
  const dot = ([x, y]: Point, radius: number, color: string) => {
    pen.fillStyle = color;
    pen.beginPath();
    pen.arc(x, y, radius, 0, 2 * Math.PI);
    pen.fill();
  };
  const output = new Mediabunny.Output({
    format: new Mediabunny.WebMOutputFormat(),
    target: new Mediabunny.BufferTarget(),
  });
  const source = new Mediabunny.CanvasSource(canvas, {
    codec: 'vp8',
    bitrate: 1_500_000,
    keyFrameInterval: 0.4,
  });
  output.addVideoTrack(source, { frameRate: of.framesASecond });
  await output.start();
  for (const [index, { horse, lands, reinTaken }] of of.frames.entries()) {
    pen.fillStyle = '#8a7a5c';
    pen.fillRect(0, 0, of.width, of.height);
    path(of.fence);
    pen.closePath();
    pen.fillStyle = '#cdb98f';
    pen.fill();
    pen.strokeStyle = '#4a3b22';
    pen.lineWidth = 3;
    pen.stroke();
    path(of.line);
    pen.strokeStyle = '#ffffff';
    pen.lineWidth = 2;
    pen.stroke();
    dot(of.post, 4, '#222');
    for (const barrel of of.barrels) dot(barrel, 5, '#7c1f14');
    dot([horse[0], horse[1] - 9], 9, '#3b2413');
    dot(horse, 2.5, lands ? '#ffffff' : '#000000');
    if (reinTaken) {
      pen.fillStyle = '#10406a';
      pen.fillRect(10, 10, 60, 20);
    }
    pen.fillStyle = '#000';
    pen.font = '14px monospace';
    pen.fillText(String(index), of.width - 50, 20);
    await source.add(index / of.framesASecond, 1 / of.framesASecond);
  }
  await output.finalize();
  const bytes = new Uint8Array(
    (output.target as InstanceType<typeof Mediabunny.BufferTarget>).buffer!,
  );
  let text = '';
  for (let from = 0; from < bytes.length; from += 8192)
    text += String.fromCharCode(...bytes.subarray(from, from + 8192));
  return btoa(text);
}
