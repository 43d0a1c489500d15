/** Photographs of real things that Debian's packages ship: what the comparison is trained, chosen and judged on besides made-up boats. */

export type PhotographPackage = {
  name: string;
  licence: string;
  /** Files and folders, from the root of the system. */
  files: readonly string[];
};

const BACKGROUNDS = 'usr/share/backgrounds';
const CV = 'usr/share/doc/opencv-doc/examples/data';
const SKIMAGE = 'usr/lib/python3/dist-packages/skimage/data';
const LAND = 'usr/share/games/endless-sky/images/land';
const wallpaper = (name: string) => `usr/share/wallpapers/${name}/contents/images/2560x1600.jpg`;
const below = (folder: string, files: string) => files.split(' ').map((file) => `${folder}/${file}`);

/** As Debian's copyright files have them; nothing of them is part of this program. */
export const PHOTOGRAPHS: readonly PhotographPackage[] = [
  {
    name: 'lomiri-wallpapers-16.04',
    licence: 'CC-BY-4.0, CC-BY-SA-3.0, CC-BY-SA-4.0, CC0-1.0',
    files: below(
      BACKGROUNDS,
      'Bridge_by_Sander_Klootwijk.jpg Dragonfly_by_Bolly.jpg Picture_0B_by_freespace.jpg Picture_1A_by_freespace.jpg Wine_by_Jakkub_Mede.jpg aitzgorri_by_Aitzol_Berasategi.jpg analogpattern_by_Peter_Nerlich.jpg free_by_Peter_Nerlich.jpg friends_by_Aitzol_Berasategi.jpg greentock_by_Peter_Nerlich.jpg life_by_Aitzol_Berasategi.jpg picosdeeuropa_by_Aitzol_Berasategi.jpg seeding_by_Clements_Engelhardt.jpg sunset_by_Aitzol_Berasategi.jpg',
    ),
  },
  {
    name: 'lomiri-wallpapers-20.04',
    licence: 'CC-BY-4.0, CC-BY-SA-3.0, CC-BY-SA-4.0, CC0-1.0',
    files: below(BACKGROUNDS, 'Kleiber_by_Lukas_Baubkus.jpg Painting-Colors_by__herobrine7gamer.jpg'),
  },
  {
    name: 'mate-backgrounds',
    licence: 'GPL-2+, CC-BY-SA-4.0',
    files: below(
      `${BACKGROUNDS}/mate`,
      'nature/Aqua.jpg nature/Blinds.jpg nature/Dune.jpg nature/FreshFlower.jpg nature/Garden.jpg nature/GreenMeadow.jpg nature/LadyBird.jpg nature/RainDrops.jpg nature/Storm.jpg nature/TwoWings.jpg nature/Wood.jpg nature/YellowFlower.jpg abstract/Elephants_3840x2160.jpg',
    ),
  },
  {
    name: 'plasma-workspace-wallpapers',
    licence: 'LGPL-3, GPL-2+, CC-BY-SA-4.0',
    files: 'Autumn BytheWater ColdRipple ColorfulCups EveningGlow FallenLeaf Grey Kite OneStandsOut Path summer_1am'
      .split(' ')
      .map(wallpaper),
  },
  {
    name: 'python3-skimage',
    licence: 'BSD-3-Clause, CC0, public domain',
    files: below(
      SKIMAGE,
      'brick.png grass.png gravel.png coffee.png astronaut.png camera.png chelsea.png coins.png page.png text.png rocket.jpg retina.jpg ihc.png moon.png motorcycle_left.png motorcycle_right.png',
    ),
  },
  {
    name: 'opencv-doc',
    licence: 'Apache-2.0, BSD-3-Clause',
    files: below(
      CV,
      'aero1.jpg aero3.jpg aloeL.jpg aloeR.jpg baboon.jpg board.jpg box.png box_in_scene.png building.jpg butterfly.jpg fruits.jpg graf1.png graf3.png home.jpg left.jpg leuvenA.jpg leuvenB.jpg licenseplate_motion.jpg right.jpg rubberwhale1.png rubberwhale2.png smarties.png squirrel_cls.jpg stuff.jpg sudoku.png',
    ),
  },
  { name: 'endless-sky-data', licence: 'public domain, CC0, CC-BY-SA-3.0, CC-BY-SA-4.0', files: [LAND] },
];

/** Two views of one thing that were really taken twice, by their files; whether a boat so seen could be compared. */
export const SECOND_VIEWS: readonly { package: string; out: string; back: string; near: boolean }[] = [
  { package: 'python3-skimage', out: 'motorcycle_left.png', back: 'motorcycle_right.png', near: true },
  { package: 'opencv-doc', out: 'aero1.jpg', back: 'aero3.jpg', near: true },
  { package: 'opencv-doc', out: 'aloeL.jpg', back: 'aloeR.jpg', near: true },
  { package: 'opencv-doc', out: 'leuvenA.jpg', back: 'leuvenB.jpg', near: true },
  { package: 'opencv-doc', out: 'rubberwhale1.png', back: 'rubberwhale2.png', near: true },
  { package: 'opencv-doc', out: 'left.jpg', back: 'right.jpg', near: true },
  { package: 'opencv-doc', out: 'graf1.png', back: 'graf3.png', near: false },
  { package: 'opencv-doc', out: 'box.png', back: 'box_in_scene.png', near: false },
];

/** Grown with, chosen with, judged by: a photograph is in one of them only. */
export const PARTS = ['training', 'choosing', 'judging'] as const;
export type Part = (typeof PARTS)[number];

/** Half of them to grow with, a fifth to choose with, the rest to be judged by; by its name alone (FNV-1a), so for good. */
export const partOf = (file: string): Part => {
  const name = file.split('/').slice(-4).join('/');
  let hash = 0x811c9dc5;
  for (let i = 0; i < name.length; i += 1) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193);
  const tenth = (hash >>> 0) % 10;
  return tenth < 5 ? 'training' : tenth < 7 ? 'choosing' : 'judging';
};
