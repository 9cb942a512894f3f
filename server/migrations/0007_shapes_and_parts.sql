ALTER TABLE `designs` ADD `more_moulds` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `displaced_ml` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `designs` ADD `top_ml` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `loaves` ADD `part` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `shape` text DEFAULT 'loaf' NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `top_length_mm` real;--> statement-breakpoint
ALTER TABLE `moulds` ADD `top_width_mm` real;--> statement-breakpoint
ALTER TABLE `moulds` ADD `log_count` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `cavity_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `cavity_ml` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `measured_ml` real;