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
  waste_explained:
    '{waste} of the block becomes no piece, most of it ({part}) {kind, select, trims {as trims of up to {rest}} cuts {in cuts of {rest}} beside_logs {beside the logs, where {rest} are left} end_of_logs {at the end of the logs, where {rest} are left} in_columns {over the pieces, where {rest} are left} other {in pieces that are not wanted}}. {mend}',
  one_more_of_each_log: 'At {thickness} thick {bars} come out of each log with no rest.',
  part_block: '{way, select, turned {Lay on its side and part} other {Part}}',
} as const
