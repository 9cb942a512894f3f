ALTER TABLE `ingredients` ADD `density_g_ml` real;--> statement-breakpoint
ALTER TABLE `ingredients` ADD `inci` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `lye_rounding` text DEFAULT 'down' NOT NULL;