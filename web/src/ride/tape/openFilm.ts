import { frameOf, type OpenFilm } from './film';

/** A name that fits what is kept: the end of a long one tells it apart. */
const nameOf = (name: string) => (name.length > 80 ? `…${name.slice(-79)}` : name);

/** Steps of half a frame of the fastest camera that is common. */
const probeS = 1 / 240;
const mostProbes = 60;

/** Looks at a film on the disk: its length, its size, how long a frame stands. */
export async function openFilm(file: File): Promise<OpenFilm> {
  const video = document.createElement('video');
  if (!('requestVideoFrameCallback' in video))
    throw new Error('This browser does not say which frame it shows; a newer one does.');
  const url = URL.createObjectURL(file);
  video.muted = true;
  video.preload = 'auto';
  try {
    await loaded(video, url);
    const { duration, videoWidth, videoHeight } = video;
    if (!Number.isFinite(duration) || duration <= 0 || videoWidth === 0)
      throw new Error('It has no picture that can be shown here.');
    const frame_s = await probed(video);
    return {
      url,
      film: {
        name: nameOf(file.name),
        length_s: duration,
        frame_s,
        width_px: videoWidth,
        height_px: videoHeight,
      },
      writtenAt: file.lastModified,
    };
  } catch (error) {
    URL.revokeObjectURL(url);
    throw error;
  } finally {
    video.removeAttribute('src');
    video.load();
  }
}

function loaded(video: HTMLVideoElement, url: string): Promise<void> {
  return new Promise((resolve, reject) => {
    video.onloadeddata = () => resolve();
    video.onerror = () =>
      reject(new Error('This browser cannot show it. Films in MP4 or WebM can be shown.'));
    video.src = url;
  });
}

/** The frame that is shown at a moment: where it begins. */
function shownAt(video: HTMLVideoElement, seconds: number): Promise<number | null> {
  return new Promise((resolve) => {
    // The same frame as before is not announced again.
    const given = () => resolve(null);
    const late = setTimeout(given, 150);
    video.requestVideoFrameCallback((_, { mediaTime }) => {
      clearTimeout(late);
      resolve(mediaTime);
    });
    video.currentTime = seconds;
  });
}

/** How far two frames in a row lie apart. */
async function probed(video: HTMLVideoElement): Promise<number> {
  const begin = Math.min(video.duration / 2, 2);
  const begins: number[] = [];
  for (let step = 0; step < mostProbes && begins.length < 3; step += 1) {
    const shown = await shownAt(video, begin + step * probeS);
    if (shown !== null && shown !== begins.at(-1)) begins.push(shown);
  }
  const [, second, third] = begins;
  return third !== undefined && second !== undefined && third > second
    ? frameOf(third - second)
    : 1 / 30;
}
