CREATE TABLE `owed_sales` (
	`sale_id` text PRIMARY KEY NOT NULL,
	`day` text NOT NULL,
	`design_id` text NOT NULL,
	`channel` text NOT NULL,
	`bars` integer NOT NULL,
	`buyer` text NOT NULL,
	`price_cents` integer,
	`why` text NOT NULL,
	`at` text NOT NULL,
	`maker_id` text NOT NULL,
	`settled` text,
	`settled_at` text,
	`settled_by` text,
	FOREIGN KEY (`maker_id`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`settled_by`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action
);
