CREATE TABLE `customers` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`kind` text NOT NULL,
	`name` text NOT NULL,
	`contact` text NOT NULL,
	`address` text NOT NULL,
	`wish` text NOT NULL,
	`monthly_bars` integer NOT NULL,
	`is_paused` integer NOT NULL,
	`is_sale_or_return` integer NOT NULL,
	`price_cents` integer
);
--> statement-breakpoint
ALTER TABLE `orders` ADD `recipients` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `orders` ADD `packed_day` text;--> statement-breakpoint
ALTER TABLE `orders` ADD `sent_day` text;--> statement-breakpoint
ALTER TABLE `orders` ADD `paid_day` text;