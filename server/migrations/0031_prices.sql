PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_workshop` (
	`id` integer PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`name` text NOT NULL,
	`mass_unit` text NOT NULL,
	`length_unit` text NOT NULL,
	`temperature_unit` text NOT NULL,
	`currency` text NOT NULL,
	`time_zone` text NOT NULL,
	`exceptions` text NOT NULL,
	`week_start_min` text DEFAULT '[1140,1140,1140,1140,1140,540,540]' NOT NULL,
	`racks` text DEFAULT '[{"name":"Rack","trays":24}]' NOT NULL,
	`own_factors` text DEFAULT '[]' NOT NULL,
	`own_claims` text DEFAULT '[]' NOT NULL,
	`bars_per_tray` integer DEFAULT 12 NOT NULL,
	`oven_slots` integer DEFAULT 2 NOT NULL,
	`buffer_days` integer DEFAULT 3 NOT NULL,
	`pricing` text DEFAULT '{"hourCents":2000,"sharedHourCents":0,"packingCentsPerBar":30,"bevelCentsPerBar":40,"stampCents":6000,"breakageShare":0.03,"bevelMinutesPerBar":1,"stampMinutesPerBar":0.5,"barCents":900,"shopShare":0.6,"subscriberShare":0.9}' NOT NULL,
	`quoting` text DEFAULT '{"contact":"","taxName":"","taxShare":0,"isTaxIncluded":true,"marginShare":0,"depositShare":0,"validDays":14,"terms":""}' NOT NULL,
	`cut_tools` text DEFAULT '[{"name":"Single wire","kind":"single_wire","spacingMm":0,"piecesAPass":1}]' NOT NULL,
	`maker_address` text DEFAULT '' NOT NULL,
	`label_style` text DEFAULT 'eu' NOT NULL,
	`inch_style` text DEFAULT 'sixteenths' NOT NULL,
	`prep_ahead_days` integer DEFAULT 4 NOT NULL,
	`setup_hours` real NOT NULL,
	`prep_hours` real NOT NULL,
	`pour_hours` real NOT NULL,
	`cut_hours` real NOT NULL,
	`largest_pot_ml` real DEFAULT 0 NOT NULL,
	`lye_jug_ml` real DEFAULT 0 NOT NULL,
	`scale_resolution_g` real NOT NULL,
	`lye_rounding` text DEFAULT 'down' NOT NULL,
	`pot_loss` real NOT NULL,
	`cure_loss` real NOT NULL,
	`soaping_temperature_c` real NOT NULL
);
--> statement-breakpoint
INSERT INTO `__new_workshop`("id", "version", "name", "mass_unit", "length_unit", "temperature_unit", "currency", "time_zone", "exceptions", "week_start_min", "racks", "own_factors", "own_claims", "bars_per_tray", "oven_slots", "buffer_days", "pricing", "quoting", "cut_tools", "maker_address", "label_style", "inch_style", "prep_ahead_days", "setup_hours", "prep_hours", "pour_hours", "cut_hours", "largest_pot_ml", "lye_jug_ml", "scale_resolution_g", "lye_rounding", "pot_loss", "cure_loss", "soaping_temperature_c") SELECT "id", "version", "name", "mass_unit", "length_unit", "temperature_unit", "currency", "time_zone", "exceptions", "week_start_min", "racks", "own_factors", "own_claims", "bars_per_tray", "oven_slots", "buffer_days", "pricing", "quoting", "cut_tools", "maker_address", "label_style", "inch_style", "prep_ahead_days", "setup_hours", "prep_hours", "pour_hours", "cut_hours", "largest_pot_ml", "lye_jug_ml", "scale_resolution_g", "lye_rounding", "pot_loss", "cure_loss", "soaping_temperature_c" FROM `workshop`;--> statement-breakpoint
DROP TABLE `workshop`;--> statement-breakpoint
ALTER TABLE `__new_workshop` RENAME TO `workshop`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
ALTER TABLE `designs` ADD `bar_cents` integer;--> statement-breakpoint
ALTER TABLE `ingredients` ADD `list_cents` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `ingredients` ADD `is_list_estimate` integer DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE `lots` ADD `carriage_cents` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `ingredients` SET `list_cents` = (SELECT CAST(`line`.`value` ->> '$.centsPerKg' AS REAL) FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = `ingredients`.`ref` LIMIT 1) WHERE `kind` IN ('fat', 'alkali') AND EXISTS (SELECT 1 FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = `ingredients`.`ref`);--> statement-breakpoint
UPDATE `ingredients` SET `list_cents` = (SELECT CAST(`line`.`value` ->> '$.centsPerKg' AS REAL) FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = 'scent' LIMIT 1) WHERE `kind` IN ('scent') AND EXISTS (SELECT 1 FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = 'scent');--> statement-breakpoint
UPDATE `ingredients` SET `list_cents` = (SELECT CAST(`line`.`value` ->> '$.centsPerKg' AS REAL) FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = 'colourant' LIMIT 1) WHERE `kind` IN ('colourant') AND EXISTS (SELECT 1 FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` WHERE `line`.`value` ->> '$.key' = 'colourant');--> statement-breakpoint
INSERT INTO `ingredients` (`id`, `version`, `is_removed`, `kind`, `name`, `ref`, `lead_days`, `pack_size`, `per_bar`, `notes`, `list_cents`) WITH `known` (`key`, `name`) AS (VALUES ('naoh','Sodium hydroxide'),('koh','Potassium hydroxide'),('coconut','Coconut oil'),('coconut_fractionated','Fractionated coconut oil (medium-chain triglycerides)'),('palm','Palm oil'),('palm_kernel','Palm kernel oil'),('babassu','Babassu oil'),('olive','Olive oil'),('olive_pomace','Olive pomace oil'),('soybean','Soybean oil'),('sunflower','Sunflower oil'),('sunflower_high_oleic','High-oleic sunflower oil'),('rapeseed_low_erucic','Low-erucic rapeseed oil (canola)'),('rice_bran','Rice bran oil'),('castor','Castor oil'),('shea','Shea butter'),('cocoa_butter','Cocoa butter'),('mango_butter','Mango kernel butter'),('avocado','Avocado oil'),('almond_sweet','Sweet almond oil'),('apricot_kernel','Apricot kernel oil'),('hemp_seed','Hemp seed oil'),('grapeseed','Grapeseed oil'),('peanut','Peanut oil'),('safflower_high_oleic','High-oleic safflower oil'),('sesame','Sesame oil'),('macadamia','Macadamia oil'),('jojoba','Jojoba oil (liquid wax)'),('beeswax','Beeswax'),('lard','Lard'),('tallow','Beef tallow'),('stearic_acid','Stearic acid (commercial C16/C18 blend)'),('lauric_acid','Lauric acid (98-100 %)'),('wheat_germ','Wheat germ oil'),('flax','Linseed (flax) oil'),('cottonseed','Cottonseed oil'),('kokum_butter','Kokum butter'),('illipe_butter','Illipe butter')) SELECT 'priced-' || `known`.`key`, 1, 0, CASE WHEN `known`.`key` IN ('naoh', 'koh') THEN 'alkali' ELSE 'fat' END, `known`.`name`, `known`.`key`, 0, 0, 0, '', max(CAST(`line`.`value` ->> '$.centsPerKg' AS REAL)) FROM `workshop`, json_each(`workshop`.`pricing`, '$.ingredients') AS `line` JOIN `known` ON `known`.`key` = `line`.`value` ->> '$.key' WHERE CAST(`line`.`value` ->> '$.centsPerKg' AS REAL) > 0 AND NOT EXISTS (SELECT 1 FROM `ingredients` WHERE `ref` = `known`.`key` AND `is_removed` = 0) GROUP BY `known`.`key`;--> statement-breakpoint
UPDATE `workshop` SET `pricing` = json_insert(json_remove(`pricing`, '$.ingredients'), '$.barCents', 900, '$.shopShare', 0.6, '$.subscriberShare', 0.9, '$.sharedHourCents', 0);
