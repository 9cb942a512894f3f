ALTER TABLE `moulds` ADD `wall_mm` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `moulds` ADD `base_mm` real DEFAULT 0 NOT NULL;