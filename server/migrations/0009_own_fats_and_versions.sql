CREATE TABLE `own_fats` (
	`id` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`is_removed` integer NOT NULL,
	`name` text NOT NULL,
	`inci` text NOT NULL,
	`soap_inci` text NOT NULL,
	`kind` text NOT NULL,
	`state_at_20_c` text NOT NULL,
	`density_g_ml` real NOT NULL,
	`density_temperature_c` real NOT NULL,
	`saponification_value` text NOT NULL,
	`fatty_acid_percent` text,
	`unsaponifiable_percent` real NOT NULL,
	`contains` text NOT NULL,
	`supplier` text NOT NULL,
	`certificate_day` text
);
--> statement-breakpoint
CREATE TABLE `recipe_versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`recipe_id` text NOT NULL,
	`at` text NOT NULL,
	`details` text NOT NULL,
	FOREIGN KEY (`recipe_id`) REFERENCES `recipes`(`id`) ON UPDATE no action ON DELETE no action
);
