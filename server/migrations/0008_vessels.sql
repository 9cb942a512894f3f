ALTER TABLE `workshop` ADD `largest_pot_ml` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `lye_jug_ml` real DEFAULT 0 NOT NULL;