CREATE TABLE `lot_uses` (
	`batch_id` text NOT NULL,
	`step_key` text NOT NULL,
	`lot_id` text NOT NULL,
	`amount` real NOT NULL,
	PRIMARY KEY(`batch_id`, `step_key`, `lot_id`)
);
--> statement-breakpoint
CREATE INDEX `lot_uses_lot` ON `lot_uses` (`lot_id`,`amount`);--> statement-breakpoint
CREATE TABLE `room_readings` (
	`day` text PRIMARY KEY NOT NULL,
	`temperature_c` real NOT NULL,
	`humidity` real NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shop_offers` (
	`design_id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`offered` integer NOT NULL,
	`price_cents` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `shop_sales` (
	`number` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`design_id` text NOT NULL,
	`bars` integer NOT NULL,
	`buyer` text NOT NULL,
	`day` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `loaves` ADD `state` text;--> statement-breakpoint
ALTER TABLE `loaves` ADD `is_done` integer DEFAULT false NOT NULL;--> statement-breakpoint
CREATE INDEX `loaves_batch` ON `loaves` (`batch_id`);--> statement-breakpoint
CREATE INDEX `loaves_open` ON `loaves` (`is_done`);--> statement-breakpoint
ALTER TABLE `workshop` ADD `cut_tools` text DEFAULT '[{"name":"Single wire","kind":"single_wire","spacingMm":0,"piecesAPass":1}]' NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `maker_address` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `workshop` ADD `label_style` text DEFAULT 'eu' NOT NULL;--> statement-breakpoint
UPDATE `loaves` SET `is_done` = 1 WHERE `status` IN ('released', 'failed');--> statement-breakpoint
INSERT INTO `lot_uses` (`batch_id`, `step_key`, `lot_id`, `amount`)
SELECT `r`.`batch_id`, `r`.`step_key`, json_extract(`use`.`value`, '$.lotId'), sum(json_extract(`use`.`value`, '$.amount'))
FROM `bench_records` AS `r`, json_each(`r`.`lots`) AS `use`
WHERE `r`.`lots` IS NOT NULL AND `r`.`id` = (
  SELECT max(`last`.`id`) FROM `bench_records` AS `last` WHERE `last`.`batch_id` = `r`.`batch_id` AND `last`.`step_key` = `r`.`step_key` AND `last`.`lots` IS NOT NULL
)
GROUP BY `r`.`batch_id`, `r`.`step_key`, json_extract(`use`.`value`, '$.lotId');
