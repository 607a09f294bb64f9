ALTER TABLE `drill_answers` MODIFY COLUMN `person_id` char(36);--> statement-breakpoint
ALTER TABLE `drill_answers` MODIFY COLUMN `site_id` char(36);