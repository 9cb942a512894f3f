ALTER TABLE `recipes` ADD `koh_share` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `koh_purity` real DEFAULT 0.9 NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `water_style` text DEFAULT 'lye_concentration' NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `liquids` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `additives` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `recipes` ADD `claims` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
-- Fats of older recipes are all melted together.
UPDATE `recipes` SET `fats` = (
	SELECT json_group_array(json_set(`line`.`value`, '$.atTrace', json('false'))) FROM json_each(`recipes`.`fats`) AS `line`
);
