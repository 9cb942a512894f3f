/** The cut planner. */
export const cuttingWords = {
  no_piece: 'Say what is to be cut: a bar at least.',
  too_many_kinds: 'At most {most} kinds of pieces come out of one block.',
  wanted_range: 'Ask for {least} to {most}, or for as many as fit.',
  none_fits: 'None of these comes out of a block of {length} × {width} × {height}.',
  log_number: 'Log {log}',
  the_log: 'The log',
  piece_across: '{piece}, across',
  piece_from_base: '{piece}, from the base',
  split_into_logs: 'Split into logs',
  from_the_left: 'From the left',
  cut_across: 'Cut across',
  part_block: '{way, select, turned {Lay on its side and part} other {Part}}',
} as const
