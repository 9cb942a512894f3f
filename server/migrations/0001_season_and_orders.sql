CREATE TABLE `day_ticks` (
	`day` text NOT NULL,
	`task_key` text NOT NULL,
	`at` text NOT NULL,
	`maker_id` text NOT NULL,
	PRIMARY KEY(`day`, `task_key`),
	FOREIGN KEY (`maker_id`) REFERENCES `makers`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE TABLE `orders` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`client` text NOT NULL,
	`contact` text NOT NULL,
	`bars` integer NOT NULL,
	`label_mass_g` real NOT NULL,
	`due_day` text NOT NULL,
	`recipe_id` text,
	`scent` text,
	`colours` text NOT NULL,
	`stamp_lead_days` integer,
	`bevelled` integer NOT NULL,
	`packing` text NOT NULL,
	`notes` text NOT NULL,
	`state` text NOT NULL,
	`deposit_cents` integer NOT NULL,
	`earliest_day` text,
	`collection_id` text,
	`price_cents` integer,
	FOREIGN KEY (`recipe_id`) REFERENCES `recipes`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`collection_id`) REFERENCES `collections`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
ALTER TABLE `batches` ADD `cut_day` text;--> statement-breakpoint
ALTER TABLE `batches` ADD `is_pinned` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `batches` ADD `label` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `batches` ADD `own` text;--> statement-breakpoint
ALTER TABLE `collections` ADD `early` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `collections` ADD `channels` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `collections` ADD `promises` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `collections` ADD `state` text DEFAULT 'idea' NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `bevelled` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `stamped` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `earliest_day` text;--> statement-breakpoint
ALTER TABLE `designs` ADD `notes_for_next_time` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `brought_from_id` text;--> statement-breakpoint
ALTER TABLE `designs` ADD `lessons` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `results` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `oven` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `week_start_min` text DEFAULT '[1140,1140,1140,1140,1140,540,540]' NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `racks` text DEFAULT '[{"name":"Rack","trays":24}]' NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `bars_per_tray` integer DEFAULT 12 NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `oven_slots` integer DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `buffer_days` integer DEFAULT 3 NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `pricing` text DEFAULT '{"hourCents":2000,"packingCentsPerBar":30,"bevelCentsPerBar":40,"stampCents":6000,"breakageShare":0.03,"bevelMinutesPerBar":1,"stampMinutesPerBar":0.5,"ingredients":[]}' NOT NULL;