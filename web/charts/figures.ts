/*
 * A figure seen from its right side, in a field of 100 × 100. Angles are degrees from straight down,
 * forward (to the right) positive: 0 hangs, 90 points ahead, 180 points up.
 */
export interface Pose {
  hip: [number, number];
  /** From hip to shoulder. */
  trunk: number;
  /** Thigh, shank and foot of the leg in front, and of the one behind where it is elsewhere. */
  leg: [number, number, number];
  other?: [number, number, number];
  /** Upper arm and forearm. */
  arm: [number, number];
}

export interface Motif {
  from: Pose;
  to: Pose;
  /** What it is done on or with, as a path. */
  prop?: string;
}

const FLOOR = 'M4 94H96';
const up: Pose = { hip: [48, 50], trunk: 180, leg: [0, 0, 90], arm: [4, 8] };
const low: Pose = { hip: [40, 66], trunk: 158, leg: [78, -28, 90], arm: [80, 90] };
const lying: Pose = { hip: [46, 88], trunk: -90, leg: [138, 20, 90], arm: [84, 90] };
const seated: Pose = { hip: [36, 66], trunk: 180, leg: [90, 0, 90], arm: [40, 80] };
const side: Pose = { hip: [50, 84], trunk: -100, leg: [92, 92, 90], arm: [0, 0] };
const armStand = (arm: [number, number]): Pose => ({ ...up, arm });
const atTable = (fore: number, hand?: [number, number]): Pose => ({ hip: [30, 68], trunk: 176, leg: [86, 0, 90], arm: hand ?? [28, fore] });
const WALL = `${FLOOR}M22 10V94`;
const TABLE = `${FLOOR}M46 60H92M84 60V94`;
const SEAT = `${FLOOR}M22 70H50M28 70V94M46 70V94`;
const BOX = `${FLOOR}M56 80H92V94`;

/** What a body does, for exercises that look alike. */
export const MOTIFS = {
  squat: { from: up, to: low, prop: FLOOR },
  chair: { from: up, to: low, prop: `${FLOOR}M18 72H36M20 72V94` },
  lunge: { from: { ...up, hip: [46, 56], leg: [30, -8, 90], other: [-28, -38, 60] }, to: { ...up, hip: [46, 68], leg: [82, 0, 90], other: [-8, -84, 40] }, prop: FLOOR },
  step: { from: { ...up, hip: [50, 52], leg: [60, 0, 90], other: [0, 0, 90] }, to: { ...up, hip: [64, 38], leg: [0, 0, 90], other: [20, -30, 90] }, prop: BOX },
  wallsit: { from: { ...up, hip: [34, 50], leg: [20, -10, 90] }, to: { ...seated, hip: [34, 68], arm: [4, 8] }, prop: WALL },
  hover: { from: { hip: [34, 70], trunk: 96, leg: [4, -86, 0], arm: [0, 0] }, to: { hip: [34, 66], trunk: 92, leg: [8, -70, 0], arm: [0, 0] }, prop: FLOOR },
  extension: { from: seated, to: { ...seated, leg: [90, 72, 150] }, prop: SEAT },
  press: { from: { hip: [34, 78], trunk: 214, leg: [140, 44, 130], arm: [30, 60] }, to: { hip: [34, 78], trunk: 214, leg: [112, 88, 150], arm: [30, 60] }, prop: `${FLOOR}M10 54L36 88H46M84 40L96 90` },
  jump: { from: { ...low, arm: [-40, -30] }, to: { ...up, hip: [48, 38], leg: [-4, -8, 30], arm: [160, 170] }, prop: FLOOR },
  hop: { from: { ...up, hip: [48, 54], leg: [30, -24, 90], other: [20, -70, 20] }, to: { ...up, hip: [48, 40], leg: [0, -4, 30], other: [30, -60, 20] }, prop: FLOOR },
  run: { from: { ...up, leg: [40, -40, 60], other: [-20, -80, 20], arm: [-40, 50] }, to: { ...up, hip: [50, 48], leg: [-24, -50, 30], other: [60, -10, 80], arm: [40, 120] }, prop: FLOOR },
  box: { from: { ...low, hip: [30, 66] }, to: { ...low, hip: [64, 52], arm: [90, 100] }, prop: BOX },
  heel: { from: up, to: { ...up, hip: [48, 44], leg: [0, 0, 40] }, prop: WALL.replace('M22', 'M74') },
  heelstep: { from: { ...up, hip: [48, 46], leg: [0, 0, 116] }, to: { ...up, hip: [48, 36], leg: [0, 0, 44] }, prop: `${FLOOR}M50 86H92V94` },
  heelseat: { from: seated, to: { ...seated, leg: [98, 6, 42] }, prop: SEAT },
  bridge: { from: lying, to: { ...lying, hip: [46, 74], trunk: -66, leg: [112, 8, 90] }, prop: FLOOR },
  bridgelong: { from: { ...lying, leg: [112, 62, 150] }, to: { ...lying, hip: [44, 76], trunk: -68, leg: [96, 66, 150] }, prop: FLOOR },
  curlslide: { from: { ...lying, hip: [44, 74], trunk: -66, leg: [112, 8, 90] }, to: { ...lying, hip: [42, 78], trunk: -70, leg: [92, 78, 150] }, prop: FLOOR },
  hinge: { from: up, to: { ...up, hip: [40, 54], trunk: 96, leg: [16, -6, 90], arm: [0, 0] }, prop: FLOOR },
  sled: { from: { hip: [36, 62], trunk: 130, leg: [40, -30, 60], other: [-20, -50, 30], arm: [96, 92] }, to: { hip: [40, 60], trunk: 130, leg: [-16, -44, 30], other: [56, -20, 60], arm: [96, 92] }, prop: `${FLOOR}M84 50V90H94` },
  plank: { from: side, to: { ...side, hip: [50, 74], trunk: -82, leg: [104, 104, 90], arm: [0, -80] }, prop: FLOOR },
  squeeze: { from: { ...lying, leg: [140, 16, 90] }, to: { ...lying, leg: [134, 22, 90] }, prop: `${FLOOR}M62 62a6 6 0 1 0 .1 0` },
  sidestep: { from: { ...up, hip: [46, 54], leg: [16, -8, 90], other: [-6, 2, 90] }, to: { ...up, hip: [50, 54], leg: [34, 12, 90], other: [-22, -10, 90] }, prop: FLOOR },
  raise: { from: armStand([4, 4]), to: armStand([104, 104]), prop: FLOOR },
  wallpress: { from: armStand([10, 90]), to: armStand([24, 84]), prop: `${FLOOR}M78 10V94` },
  pressup: { from: { hip: [40, 74], trunk: 106, leg: [-76, -76, 10], arm: [0, 0] }, to: { hip: [40, 76], trunk: 100, leg: [-74, -74, 10], arm: [4, -4] }, prop: FLOOR },
  hang: { from: { hip: [36, 64], trunk: 150, leg: [20, 10, 100], arm: [104, 104] }, to: { hip: [38, 62], trunk: 154, leg: [18, 8, 100], arm: [112, 112] }, prop: `${FLOOR}M86 20V94` },
  rotate: { from: armStand([0, 70]), to: armStand([0, 100]), prop: `${FLOOR}M50 40L88 40` },
  throw: { from: armStand([-96, 170]), to: { ...up, trunk: 164, arm: [110, 80] }, prop: FLOOR },
  walkup: { from: armStand([80, 90]), to: armStand([150, 160]), prop: `${FLOOR}M82 6V94` },
  curl: { from: atTable(70), to: atTable(136), prop: TABLE },
  wrist: { from: atTable(92, [30, 92]), to: atTable(104, [30, 104]), prop: TABLE },
  hands: { from: { ...seated, arm: [30, 92] }, to: { ...seated, arm: [34, 104] }, prop: SEAT },
  kneel: { from: { hip: [46, 66], trunk: 180, leg: [84, 0, 90], other: [0, -86, 20], arm: [20, 30] }, to: { hip: [50, 66], trunk: 176, leg: [92, -16, 90], other: [-10, -86, 20], arm: [120, 130] }, prop: FLOOR },
} satisfies Record<string, Motif>;

/** Which motif an exercise is drawn with, by what its key begins with; the longest that fits. */
const BY_KEY: readonly (readonly [string, keyof typeof MOTIFS])[] = [
  ['box_squat', 'chair'], ['squat_jump', 'jump'], ['squat', 'squat'], ['heels_raised', 'squat'], ['decline', 'squat'], ['strap_squat', 'squat'],
  ['straight_leg', 'extension'], ['leg_extension', 'extension'], ['leg_press', 'press'], ['wall_sit', 'wallsit'], ['all_fours', 'hover'], ['hover', 'hover'],
  ['split_squat', 'lunge'], ['forward_lunge', 'lunge'], ['walking_lunge', 'lunge'], ['step_down', 'step'], ['step_up', 'step'],
  ['two_to_one', 'jump'], ['one_leg_hop', 'hop'], ['split_lunge', 'jump'], ['box_jump', 'box'], ['drop_jump', 'box'],
  ['run_', 'run'], ['small_hops', 'hop'], ['skipping', 'hop'], ['bounding', 'run'], ['hamstring_bounds', 'run'], ['sled', 'sled'], ['side_hops', 'hop'],
  ['calf_hold_seated', 'heelseat'], ['calf_hold', 'heel'], ['heel_raise_seated', 'heelseat'], ['heel_raise_step', 'heelstep'], ['heel_raise', 'heel'],
  ['heel_lowering_floor', 'heel'], ['heel_lowering', 'heelstep'], ['toe_raise_seated', 'heelseat'], ['toe_raise_two_step', 'heelstep'], ['toe_raise_one', 'heelstep'], ['toe_raise', 'heel'],
  ['bridge_hold_short', 'bridge'], ['bridge_slow_short', 'bridge'], ['bridge', 'bridgelong'], ['hip_bridge', 'bridge'], ['heel_dig', 'extension'], ['sliding_leg', 'curlslide'], ['hinge', 'hinge'],
  ['ball_squeeze', 'squeeze'], ['adductor', 'plank'], ['band_adduction', 'sidestep'], ['sliding_adduction', 'sidestep'], ['side_steps', 'sidestep'], ['hip_rotation', 'plank'], ['ankle_hip', 'kneel'],
  ['scapular_press', 'pressup'], ['scapular_pull', 'hang'], ['side_wall', 'wallpress'], ['straight_arm', 'wallpress'], ['biceps_wall', 'wallpress'], ['rotation', 'rotate'], ['side_lying', 'plank'],
  ['raise', 'raise'], ['side_lean', 'raise'], ['front_raise', 'raise'], ['thumb_up', 'raise'], ['curl_to_press', 'walkup'], ['biceps_band', 'rotate'], ['finger_wall', 'walkup'], ['throw', 'throw'],
  ['curl', 'curl'], ['hand_resisted_curl', 'curl'], ['supination', 'hands'], ['forearm_turns', 'hands'], ['hammer', 'wrist'], ['wrist', 'wrist'], ['finger_slides', 'wrist'], ['band_wrist', 'wrist'],
  ['band_hold', 'wrist'], ['hand_resisted', 'wrist'], ['inner_wrist', 'wrist'], ['forearm_heavy', 'wrist'], ['table_stretch', 'wrist'], ['self_release', 'wrist'], ['soft_squeeze', 'hands'],
  ['towel', 'hands'], ['bar_twist', 'hands'], ['whole_arm_push', 'wallpress'], ['whole_arm_pull', 'rotate'], ['wall_thoracic', 'kneel'], ['prone', 'pressup'],
];

/** The motif of an exercise; a practice's own ("our_…") is drawn as the one that it was copied from. */
export function motifOf(exercise: string): Motif | null {
  const key = exercise.replace(/^our_/, '');
  let best: readonly [string, keyof typeof MOTIFS] | null = null;
  for (const entry of BY_KEY) {
    if (key.startsWith(entry[0]) && (best === null || entry[0].length > best[0].length)) best = entry;
  }
  return best === null ? null : MOTIFS[best[1]];
}
