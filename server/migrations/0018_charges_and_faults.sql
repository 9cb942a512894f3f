ALTER TABLE `orders` ADD `charges` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
UPDATE `loaves` SET `state` = json_set(`state`, '$.foundFaults', json((SELECT json_group_array(DISTINCT `loaf_events`.`happening` ->> '$.fault') FROM `loaf_events` WHERE `loaf_events`.`loaf_id` = `loaves`.`id` AND `loaf_events`.`happening` ->> '$.type' = 'fault_found'))) WHERE `state` IS NOT NULL;
