import type { ProfileKind } from '../profile/kind.ts';
import { said } from '../said.ts';

// Settings of a camera's picture menu that end up in the file. Both schools and their reasons are common practice on
// sets; neither is a rule.

export type SchoolId = 'post' | 'camera';

/** Who finishes the picture. */
export const SETTING_SCHOOLS: Readonly<Record<SchoolId, { readonly name: string; readonly says: string }>> = {
  post: {
    name: 'All of it in post',
    says: 'What is written into the file cannot be taken out again: as little as the menu allows.',
  },
  camera: {
    name: 'Some of it in the camera',
    says: 'What the codec throws away post cannot bring back: do before it what helps it.',
  },
};

/** What a setting is measured by. */
export type FigureId = 'noise' | 'edge' | 'rise' | 'hue' | 'saturation' | 'black' | 'grey' | 'clip';

export type InCameraSetting = {
  readonly name: string;
  readonly does: string;
  /** What a school sets, and why. */
  readonly schools: Readonly<Record<SchoolId, { readonly set: string; readonly why: string }>>;
  /** It moves the curve: a profile holds only for the setting that it was measured with. */
  readonly movesCurve: boolean;
  /** What tells it apart, of the figures of two frames. */
  readonly shows: readonly FigureId[];
};

/** A further setting is a row. */
export const IN_CAMERA = {
  detail: {
    name: 'Detail, sharpness',
    does: 'Draws a bright and a dark line along edges.',
    schools: {
      post: {
        set: 'lowest',
        why: 'The lines grow with the grade’s contrast, and nobody can take them off skin again.',
      },
      camera: {
        set: 'one or two steps over lowest',
        why: 'A hard codec drops the finest detail first: what was lifted before it is kept.',
      },
    },
    movesCurve: false,
    shows: ['edge', 'rise', 'noise'],
  },
  noise: {
    name: 'Noise reduction',
    does: 'Smooths neighbouring pixels, or frames that follow each other.',
    schools: {
      post: {
        set: 'off, or lowest',
        why: 'It smears skin and cloth and leaves trails behind what moves; post can look at frames before and after.',
      },
      camera: {
        set: 'low, more at high ISO',
        why: 'Noise takes the codec’s bits from the picture, and once compressed it is hard to take out.',
      },
    },
    movesCurve: false,
    shows: ['noise', 'edge', 'rise'],
  },
  contrast: {
    name: 'Contrast, gamma',
    does: 'Spreads or gathers the tones about grey.',
    schools: {
      post: {
        set: 'lowest that the profile has; a log as delivered',
        why: 'Gathered tones keep room at both ends.',
      },
      camera: {
        set: 'near the look that is delivered',
        why: 'An 8-bit file has few codes a stop: what is stretched less in the grade shows fewer steps.',
      },
    },
    movesCurve: true,
    shows: ['black', 'grey', 'clip'],
  },
  saturation: {
    name: 'Saturation',
    does: 'Colours turned up or down.',
    schools: {
      post: {
        set: 'a little under the middle; a log as delivered',
        why: 'A strong colour fills one channel before luma shows it, and a full channel has no detail.',
      },
      camera: {
        set: 'the middle',
        why: 'Colour differences are recorded coarser than luma: turned up in post they show steps and noise.',
      },
    },
    movesCurve: false,
    shows: ['saturation'],
  },
  colour: {
    name: 'Colour mode, matrix',
    does: 'Which primaries the file is in, and how hues are bent.',
    schools: {
      post: {
        set: 'the one the profile was made for',
        why: 'Post converts out of known primaries; a bent hue has no way back.',
      },
      camera: {
        set: 'the same on every camera, near the look',
        why: 'Cameras that agree on the day need less matching.',
      },
    },
    movesCurve: false,
    shows: ['hue', 'saturation'],
  },
  black: {
    name: 'Black level, pedestal',
    does: 'Lifts or lowers everything near black.',
    schools: {
      post: {
        set: '0, as delivered',
        why: 'Lifted black holds no more than before and takes codes from the rest.',
      },
      camera: {
        set: 'a few steps up where black is cut off',
        why: 'What lies under the lowest code is gone; a codec also drops noise there first.',
      },
    },
    movesCurve: true,
    shows: ['black', 'grey'],
  },
  knee: {
    name: 'Knee, highlight compression',
    does: 'Bends the brightest tones so that more of them fit.',
    schools: {
      post: {
        set: 'off',
        why: said(
          'Where it bends by the scene no curve holds from shot to shot;',
          'a log has room without it.',
        ),
      },
      camera: {
        set: 'on by hand at a fixed point, for pictures that are not graded',
        why: 'A finished picture clips about three stops over grey: bent highlights keep a sky.',
      },
    },
    movesCurve: true,
    shows: ['clip', 'grey'],
  },
  rate: {
    name: 'High frame rate',
    does: said(
      'Reads the sensor faster: many bodies then skip or join its lines, and the codec has fewer bits a frame.',
      'Film the same exposure at both rates.',
    ),
    schools: {
      post: {
        set: 'only where the picture is slowed',
        why: 'Each frame is softer, noisier or coarser in colour than at normal speed, and must be matched to it.',
      },
      camera: {
        set: 'one rate for all that is cut together',
        why: 'Shots that lose the same need no matching.',
      },
    },
    movesCurve: false,
    shows: ['rise', 'noise', 'edge', 'saturation'],
  },
} as const satisfies Record<string, InCameraSetting>;

export type InCameraId = keyof typeof IN_CAMERA;
export const IN_CAMERA_IDS = Object.keys(IN_CAMERA) as InCameraId[];

/** The school that fits a kind of profile where nobody has chosen: a log is graded anyway, a finished one is not. */
export const schoolFor = (kind: ProfileKind): SchoolId =>
  kind === 'finished' || kind === 'hlg' ? 'camera' : 'post';
