/** Who works at Lantern Loaf, with the accounts that the demo comes with. All made up. */
export const demoPassword = 'lantern-loaf'

export const demoPeople = [
  { id: 'person-odalys', email: 'odalys@lantern-loaf.example', name: 'Odalys Fenn', role: 'owner' },
  { id: 'person-bram', email: 'bram@lantern-loaf.example', name: 'Bram Quill', role: 'editor' },
  { id: 'person-tallowmoth', email: 'tallowmoth@lantern-loaf.example', name: 'tallowmoth', role: 'moderator' },
  { id: 'person-isaura', email: 'isaura@lantern-loaf.example', name: 'Isaura Pinto', role: 'moderator' },
] as const
