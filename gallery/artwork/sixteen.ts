import { lamps } from './draw.ts'

/** Pictures of sixteen by sixteen lamps. */
export const lit = '#8BE36B'
const colours = { g: lit, d: '#2E6B2A', k: '#0B1A0B', y: '#FFD166', w: '#F4FFE9', r: '#FF6B6B' }

export const sixteenPictures = {
  arrival: lamps(['................', '.....kkkkkk.....', '....kggggggk....', '...kggggggggk...', '...kgwggggwgk...', '...kgkggggkgk...', '...kggggggggk...', '...kgkggggkgk...', '....kgkkkkgk....', '.....kggggk.....', '..k.kddddddk.k..', '..kkdggggggdkk..', '...kdggggggdk...', '....kdgggdkk....', '....kdk..kdk....', '....kkk..kkk....'], colours),
  support: lamps(['................', '...kkk....kkk...', '..krrrk..krrrk..', '.krrwwrkkrrrrrk.', '.krwwrrrrrrrrrk.', '.krwrrrrrrrrrrk.', '.krrrrrrrrrrrrk.', '..krrrrrrrrrrk..', '...krrrrrrrrk...', '....krrrrrrk....', '.....krrrrk.....', '......krrk......', '.......kk.......', '...yy......yy...', '..ywyy....ywyy..', '...yy......yy...'], colours),
  crowd: lamps(['................', '................', '.kkk..kkk..kkk..', 'kgggkkgggkkgggk.', 'kgkgkkgkgkkgkgk.', 'kgggkkgggkkgggk.', '.kgk..kgk..kgk..', 'kdddkkdddkkdddk.', 'kdgdkkdgdkkdgdk.', 'kdddkkdddkkdddk.', '.kkk..kkk..kkk..', '.k.k..k.k..k.k..', '................', 'yyyyyyyyyyyyyyyy', 'y.y.y.y.y.y.y.y.', '................'], colours),
  great: lamps(['................', '..kkkkkkkkkkkk..', '.kyyyyyyyyyyyyk.', 'kkywyyyyyyyyyykk', 'k.kywyyyyyyyyk.k', 'k.kywyyggyyyyk.k', '.kkywyggggyyykk.', '...kyyyggyyyk...', '....kyyyyyyk....', '.....kyyyyk.....', '......kyyk......', '......kyyk......', '.....kyyyyk.....', '....kyyyyyyk....', '...kddddddddk...', '...kkkkkkkkkk...'], colours),
}
