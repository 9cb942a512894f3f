const moment = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
})
/** A moment on the clock of who looks at it, as makers say it: “Mon 8 Mar, 12:00”. */
export const momentWords = (at: string | number): string => moment.format(new Date(at)).replace(', ', ' ')
