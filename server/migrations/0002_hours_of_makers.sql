ALTER TABLE `makers` ADD `week_hours` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `makers` ADD `exceptions` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
-- The workshop's hours were those of all makers together: each who still works here gets an equal share.
UPDATE `makers` SET `week_hours` = COALESCE((
	SELECT json_group_array(`day`.`value` / (SELECT count(*) FROM `makers` WHERE `is_removed` = 0))
	FROM `workshop`, json_each(`workshop`.`week_hours`) AS `day`
), '[]') WHERE `is_removed` = 0;--> statement-breakpoint
ALTER TABLE `workshop` DROP COLUMN `week_hours`;
