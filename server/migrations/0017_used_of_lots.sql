ALTER TABLE `lots` ADD `used_amount` real DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `lots` SET `used_amount` = round((SELECT coalesce(sum(`lot_uses`.`amount`), 0) FROM `lot_uses` WHERE `lot_uses`.`lot_id` = `lots`.`id`), 4);
