ALTER TABLE `orders` ADD `promised_day` text;--> statement-breakpoint
ALTER TABLE `orders` ADD `quoted` text;--> statement-breakpoint
ALTER TABLE `workshop` ADD `quoting` text DEFAULT '{"contact":"","taxName":"","taxShare":0,"isTaxIncluded":true,"marginShare":0,"depositShare":0,"validDays":14,"terms":""}' NOT NULL;--> statement-breakpoint
-- Until now an accepted order was promised for the day on which its client wanted it.
UPDATE `orders` SET `promised_day` = `due_day` WHERE `collection_id` IS NOT NULL;
