CREATE TABLE `batches` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`design_id` text NOT NULL,
	`pour_day` text NOT NULL,
	`status` text NOT NULL,
	`frozen` text,
	FOREIGN KEY (`design_id`) REFERENCES `designs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `bench_records` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`batch_id` text NOT NULL,
	`step_key` text NOT NULL,
	`actual` real,
	`at` text NOT NULL,
	`maker_id` text NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`maker_id`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bench_records_batch` ON `bench_records` (`batch_id`);--> statement-breakpoint
CREATE TABLE `collections` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`name` text NOT NULL,
	`theme` text NOT NULL,
	`palette` text NOT NULL,
	`release_local` text NOT NULL,
	`release_zone` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `designs` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`collection_id` text NOT NULL,
	`name` text NOT NULL,
	`technique` text NOT NULL,
	`scent` text,
	`colours` text NOT NULL,
	`recipe_id` text,
	`mould_id` text,
	`mould_count` integer NOT NULL,
	`bars_wanted` integer NOT NULL,
	`label_mass_g` real NOT NULL,
	FOREIGN KEY (`collection_id`) REFERENCES `collections`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`recipe_id`) REFERENCES `recipes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`mould_id`) REFERENCES `moulds`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `loaf_events` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`loaf_id` text NOT NULL,
	`sequence` integer NOT NULL,
	`happening` text NOT NULL,
	`at` text NOT NULL,
	`maker_id` text NOT NULL,
	FOREIGN KEY (`loaf_id`) REFERENCES `loaves`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`maker_id`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `loaf_events_in_order` ON `loaf_events` (`loaf_id`,`sequence`);--> statement-breakpoint
CREATE TABLE `loaves` (
	`id` text PRIMARY KEY NOT NULL,
	`batch_id` text NOT NULL,
	`lot_code` text NOT NULL,
	`status` text NOT NULL,
	`version` integer NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `loaves_lot_code_unique` ON `loaves` (`lot_code`);--> statement-breakpoint
CREATE TABLE `makers` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`name` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `moulds` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`name` text NOT NULL,
	`length_mm` real NOT NULL,
	`width_mm` real NOT NULL,
	`height_mm` real NOT NULL,
	`liner_mm` real NOT NULL,
	`fill_height_mm` real NOT NULL,
	`bar_thickness_mm` real NOT NULL,
	`end_trim_mm` real NOT NULL,
	`kerf_mm` real NOT NULL,
	`count` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`mime_type` text NOT NULL,
	`bytes` blob NOT NULL,
	`at` text NOT NULL,
	`maker_id` text NOT NULL,
	FOREIGN KEY (`maker_id`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `recipes` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`name` text NOT NULL,
	`fats` text NOT NULL,
	`superfat` real NOT NULL,
	`lye_concentration` real NOT NULL,
	`naoh_purity` real NOT NULL,
	`set_days_min` integer NOT NULL,
	`set_days_max` integer NOT NULL,
	`cure_days` integer NOT NULL,
	`notes` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `workshop` (
	`id` integer PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`name` text NOT NULL,
	`mass_unit` text NOT NULL,
	`length_unit` text NOT NULL,
	`temperature_unit` text NOT NULL,
	`currency` text NOT NULL,
	`time_zone` text NOT NULL,
	`week_hours` text NOT NULL,
	`exceptions` text NOT NULL,
	`setup_hours` real NOT NULL,
	`prep_hours` real NOT NULL,
	`pour_hours` real NOT NULL,
	`cut_hours` real NOT NULL,
	`scale_resolution_g` real NOT NULL,
	`pot_loss` real NOT NULL,
	`cure_loss` real NOT NULL,
	`soaping_temperature_c` real NOT NULL
);
