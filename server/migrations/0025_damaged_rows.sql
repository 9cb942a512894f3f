CREATE TABLE `damaged_rows` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`table_name` text NOT NULL,
	`row_id` text NOT NULL,
	`name` text NOT NULL,
	`fields` text NOT NULL,
	`at` text NOT NULL,
	`version` integer,
	`is_settled` integer DEFAULT false NOT NULL
);
