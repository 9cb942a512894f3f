CREATE TABLE `ingredients` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`ref` text NOT NULL,
	`lead_days` integer NOT NULL,
	`pack_size` real NOT NULL,
	`per_bar` real NOT NULL,
	`notes` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `lots` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`ingredient_id` text NOT NULL,
	`supplier` text NOT NULL,
	`lot_number` text NOT NULL,
	`received_day` text NOT NULL,
	`opened_day` text,
	`best_before_day` text,
	`is_recalled` integer NOT NULL,
	`received_amount` real NOT NULL,
	`adjustment` real DEFAULT 0 NOT NULL,
	`price_cents` integer NOT NULL,
	`certificate` text,
	FOREIGN KEY (`ingredient_id`) REFERENCES `ingredients`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `lots_ingredient` ON `lots` (`ingredient_id`);--> statement-breakpoint
ALTER TABLE `bench_records` ADD `lots` text;