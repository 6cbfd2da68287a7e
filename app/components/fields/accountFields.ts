/** What a new account is asked for, whoever makes it. */
export const accountFields = [
  { name: 'personName', label: 'Your name', hint: '', type: 'text', autocomplete: 'name' },
  {
    name: 'email',
    label: 'E-mail address',
    hint: 'To sign in with. Nothing is sent to it.',
    type: 'email',
    autocomplete: 'username',
  },
  {
    name: 'password',
    label: 'Password',
    hint: 'Ten characters or more.',
    type: 'password',
    autocomplete: 'new-password',
  },
] as const
