CREATE TABLE `tasting_seats` (
	`tasting_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`submitted` boolean NOT NULL,
	CONSTRAINT `tasting_seats_tasting_id_person_id_pk` PRIMARY KEY(`tasting_id`,`person_id`)
);
--> statement-breakpoint
ALTER TABLE `tastings` ADD `lesson` varchar(20);--> statement-breakpoint
ALTER TABLE `tasting_seats` ADD CONSTRAINT `tasting_seats_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tasting_seats` ADD CONSTRAINT `tasting_seats_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `tasting_seats_person` ON `tasting_seats` (`person_id`,`submitted`);--> statement-breakpoint
INSERT INTO `tasting_seats` (`tasting_id`, `person_id`, `submitted`)
SELECT t.`id`, p.`id`, EXISTS (
  SELECT 1 FROM `tasting_events` e
  WHERE e.`tasting_id` = t.`id`
    AND JSON_VALUE(e.`act`, '$.kind') = 'handIn'
    AND JSON_VALUE(e.`act`, '$.taster') = p.`id`
)
FROM `tastings` t
JOIN `people` p ON JSON_CONTAINS(JSON_EXTRACT(t.`exercise`, '$.tasters[*].id'), JSON_QUOTE(p.`id`));
