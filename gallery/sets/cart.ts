import { apple, cartPictures } from '../artwork/cart.ts'
import { lookOf, phase, wide } from '../looks.ts'
import { at, headline, message, on, particles, picture, score, second, shape, sound } from '../parts.ts'
import type { GallerySet } from '../set.ts'
import { galleryVoices } from '../sounds.ts'

/** Harvest: a ribbon, a cart, leaves in the wind. */
export const cart: GallerySet = {
  id: 'apple-cart',
  name: 'Apple cart',
  about: 'Harvest: what was picked today stands beside the name on a ribbon, and leaves blow by.',
  canvas: wide,
  look: lookOf(
    'Apple cart',
    { plate: '#451A0A', outline: '#2C0F05', headline: '#FFF4E0', body: '#FBE3C0', accent: '#F08A3E', glow: '#F3CE7A' },
    ['Fraunces', 800],
    ['Instrument Sans', 600],
    { enter: phase('roll', 900), words: phase('rise', 500), leave: phase('sink', 350) },
  ),
  words: {
    follow: { headline: '{name}', second: 'is here for the apples' },
    giftBatch: { headline: '{name}', second: 'hands out {count} baskets' },
    raid: { headline: '{name}', second: 'rolls in with {party}' },
  },
  pictures: cartPictures,
  sounds: galleryVoices.cart,
  sparks: ['sparks'],
  compose: (seat) =>
    score(
      seat.isGreat ? 9000 : 7000,
      particles(wide, 'gust', {
        sprites: [
          { from: 'form', form: 'spark', ink: { role: 'accent' } },
          { from: 'form', form: 'spark', ink: { role: 'glow' } },
        ],
        strength: seat.isGreat ? 1.3 : 0.7,
      }),
      shape(wide, 'ribbon', 1320, 230, on(1060, 560), {
        form: 'ribbon',
        fill: { role: 'plate' },
        stroke: { widthPx: 6, ink: { role: 'accent' } },
        motion: { entrance: phase('unfold', 600), exit: { role: 'leave' } },
      }),
      picture(
        wide,
        seat,
        seat.isGreat ? 540 : 440,
        on(420, 520),
        { colour: { mode: 'recolour', from: apple, to: { role: 'accent' } } },
        at('ribbon.start', 200),
      ),
      headline(wide, seat, 104, on(1110, 550), { maxWidthPx: 960 }, at('picture.entered')),
      second(wide, seat, 56, on(1110, 730), { maxWidthPx: 1100 }, at('headline.entered', -250)),
      message(wide, seat, 44, on(1110, 790, 'top'), { maxWidthPx: 1100, maxLines: 4 }),
      sound(seat),
    ),
  dials: [
    {
      id: 'ribbon',
      kind: 'switch',
      label: 'Ribbon behind the name',
      about: '',
      group: 'Colours',
      initial: true,
      bindings: [{ path: 'alerts.*.variations.*.parts.ribbon.isHidden', transform: { as: 'turned' } }],
    },
  ],
}
