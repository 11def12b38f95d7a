PRAGMA foreign_keys=OFF;--> statement-breakpoint
CREATE TABLE `__new_tasks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`repot_id` integer,
	`kind` text NOT NULL,
	`rule` text,
	`due` text NOT NULL,
	`words` text NOT NULL,
	`until` text,
	`every_days` integer,
	`moved` text,
	`done` text,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`repot_id`) REFERENCES `repots`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
INSERT INTO `__new_tasks`("id", "rev", "created_at", "updated_at", "plant_id", "repot_id", "kind", "rule", "due", "words", "until", "every_days", "moved", "done") SELECT "id", "rev", "created_at", "updated_at", "plant_id", "repot_id", "kind", "rule", "due",
	CASE
		WHEN rule IN ('secondWater', 'justMoist', 'secure', 'cutDry', 'ties', 'weeks3', 'weeks7', 'season', 'renew') THEN json_object('of', rule)
		WHEN rule = 'turn' THEN json_object('of', 'turn', 'walks', json(CASE WHEN title LIKE '%empty side%' THEN 'true' ELSE 'false' END))
		WHEN rule = 'feed' THEN json_object('of', 'feed', 'rests', json(CASE WHEN why LIKE 'it rests%' THEN 'true' ELSE 'false' END))
		WHEN rule = 'warm' AND title LIKE 'Keep it warm, at % °C or so%' THEN json_object('of', 'warm', 'celsius', CAST(substr(title, 18) AS REAL))
		WHEN rule = 'extend' AND title LIKE 'Put % cm on top%' AND why LIKE '% support ends % cm above%' THEN json_object('of', 'extend', 'addsCm', CAST(substr(title, 5) AS REAL), 'aboveCm', CAST(substr(why, instr(why, 'support ends ') + 13) AS REAL))
		ELSE json_object('of', 'asWritten', 'title', title, 'why', coalesce(why, ''))
	END,
	"until", "every_days",
	CASE
		WHEN coalesce(moved, '') = '' THEN NULL
		WHEN moved LIKE 'moved by hand from ____-__-__' THEN json_object('because', 'byHand', 'from', substr(moved, -10))
		WHEN moved LIKE 'ended: it was repotted on ____-__-__' THEN json_object('because', 'repotted', 'on', substr(moved, -10))
		WHEN moved LIKE 'new growth seen on ____-__-__' THEN json_object('because', 'grew', 'on', substr(moved, -10))
		WHEN moved LIKE 'nothing grew on ____-__-__' THEN json_object('because', 'stalled', 'on', substr(moved, -10))
		WHEN moved LIKE 'limp or sour on ____-__-__' THEN json_object('because', 'troubled', 'on', substr(moved, -10))
		WHEN moved LIKE 'it rocked on ____-__-__' THEN json_object('because', 'rocked', 'on', substr(moved, -10))
		WHEN moved LIKE 'first water came on ____-__-__' THEN json_object('because', 'firstWater', 'on', substr(moved, -10))
		WHEN moved = 'looked at that day' THEN json_object('because', 'looked')
		ELSE json_object('because', 'asWritten', 'why', moved)
	END,
	"done" FROM `tasks`;--> statement-breakpoint
DELETE FROM sqlite_sequence WHERE name = '__new_tasks';--> statement-breakpoint
INSERT INTO sqlite_sequence (name, seq) SELECT '__new_tasks', seq FROM sqlite_sequence WHERE name = 'tasks';--> statement-breakpoint
DROP TABLE `tasks`;--> statement-breakpoint
ALTER TABLE `__new_tasks` RENAME TO `tasks`;--> statement-breakpoint
PRAGMA foreign_keys=ON;--> statement-breakpoint
CREATE INDEX `tasks_by_due` ON `tasks` (`done`,`due`);--> statement-breakpoint
ALTER TABLE `deeds` ADD `subject` text;--> statement-breakpoint
UPDATE `changes` SET before = json_set(json_remove(before, '$.title', '$.why'), '$.words',
	(CASE
		WHEN (before ->> '$.rule') IN ('secondWater', 'justMoist', 'secure', 'cutDry', 'ties', 'weeks3', 'weeks7', 'season', 'renew') THEN json_object('of', (before ->> '$.rule'))
		WHEN (before ->> '$.rule') = 'turn' THEN json_object('of', 'turn', 'walks', json(CASE WHEN (before ->> '$.title') LIKE '%empty side%' THEN 'true' ELSE 'false' END))
		WHEN (before ->> '$.rule') = 'feed' THEN json_object('of', 'feed', 'rests', json(CASE WHEN (before ->> '$.why') LIKE 'it rests%' THEN 'true' ELSE 'false' END))
		WHEN (before ->> '$.rule') = 'warm' AND (before ->> '$.title') LIKE 'Keep it warm, at % °C or so%' THEN json_object('of', 'warm', 'celsius', CAST(substr((before ->> '$.title'), 18) AS REAL))
		WHEN (before ->> '$.rule') = 'extend' AND (before ->> '$.title') LIKE 'Put % cm on top%' AND (before ->> '$.why') LIKE '% support ends % cm above%' THEN json_object('of', 'extend', 'addsCm', CAST(substr((before ->> '$.title'), 5) AS REAL), 'aboveCm', CAST(substr((before ->> '$.why'), instr((before ->> '$.why'), 'support ends ') + 13) AS REAL))
		ELSE json_object('of', 'asWritten', 'title', (before ->> '$.title'), 'why', coalesce((before ->> '$.why'), ''))
	END) || '')
	WHERE "of" = 'tasks' AND CASE WHEN json_valid(before) THEN json_type(before, '$.title') IS NOT NULL ELSE 0 END;--> statement-breakpoint
UPDATE `changes` SET before = json_set(before, '$.moved', CASE
		WHEN coalesce((before ->> '$.moved'), '') = '' THEN NULL
		WHEN (before ->> '$.moved') LIKE 'moved by hand from ____-__-__' THEN json_object('because', 'byHand', 'from', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'ended: it was repotted on ____-__-__' THEN json_object('because', 'repotted', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'new growth seen on ____-__-__' THEN json_object('because', 'grew', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'nothing grew on ____-__-__' THEN json_object('because', 'stalled', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'limp or sour on ____-__-__' THEN json_object('because', 'troubled', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'it rocked on ____-__-__' THEN json_object('because', 'rocked', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') LIKE 'first water came on ____-__-__' THEN json_object('because', 'firstWater', 'on', substr((before ->> '$.moved'), -10))
		WHEN (before ->> '$.moved') = 'looked at that day' THEN json_object('because', 'looked')
		ELSE json_object('because', 'asWritten', 'why', (before ->> '$.moved'))
	END || '')
	WHERE "of" = 'tasks' AND CASE WHEN json_valid(before) THEN json_type(before, '$.moved') = 'text' ELSE 0 END;--> statement-breakpoint
UPDATE `changes` SET after = json_set(json_remove(after, '$.title', '$.why'), '$.words',
	(CASE
		WHEN (after ->> '$.rule') IN ('secondWater', 'justMoist', 'secure', 'cutDry', 'ties', 'weeks3', 'weeks7', 'season', 'renew') THEN json_object('of', (after ->> '$.rule'))
		WHEN (after ->> '$.rule') = 'turn' THEN json_object('of', 'turn', 'walks', json(CASE WHEN (after ->> '$.title') LIKE '%empty side%' THEN 'true' ELSE 'false' END))
		WHEN (after ->> '$.rule') = 'feed' THEN json_object('of', 'feed', 'rests', json(CASE WHEN (after ->> '$.why') LIKE 'it rests%' THEN 'true' ELSE 'false' END))
		WHEN (after ->> '$.rule') = 'warm' AND (after ->> '$.title') LIKE 'Keep it warm, at % °C or so%' THEN json_object('of', 'warm', 'celsius', CAST(substr((after ->> '$.title'), 18) AS REAL))
		WHEN (after ->> '$.rule') = 'extend' AND (after ->> '$.title') LIKE 'Put % cm on top%' AND (after ->> '$.why') LIKE '% support ends % cm above%' THEN json_object('of', 'extend', 'addsCm', CAST(substr((after ->> '$.title'), 5) AS REAL), 'aboveCm', CAST(substr((after ->> '$.why'), instr((after ->> '$.why'), 'support ends ') + 13) AS REAL))
		ELSE json_object('of', 'asWritten', 'title', (after ->> '$.title'), 'why', coalesce((after ->> '$.why'), ''))
	END) || '')
	WHERE "of" = 'tasks' AND CASE WHEN json_valid(after) THEN json_type(after, '$.title') IS NOT NULL ELSE 0 END;--> statement-breakpoint
UPDATE `changes` SET after = json_set(after, '$.moved', CASE
		WHEN coalesce((after ->> '$.moved'), '') = '' THEN NULL
		WHEN (after ->> '$.moved') LIKE 'moved by hand from ____-__-__' THEN json_object('because', 'byHand', 'from', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'ended: it was repotted on ____-__-__' THEN json_object('because', 'repotted', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'new growth seen on ____-__-__' THEN json_object('because', 'grew', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'nothing grew on ____-__-__' THEN json_object('because', 'stalled', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'limp or sour on ____-__-__' THEN json_object('because', 'troubled', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'it rocked on ____-__-__' THEN json_object('because', 'rocked', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') LIKE 'first water came on ____-__-__' THEN json_object('because', 'firstWater', 'on', substr((after ->> '$.moved'), -10))
		WHEN (after ->> '$.moved') = 'looked at that day' THEN json_object('because', 'looked')
		ELSE json_object('because', 'asWritten', 'why', (after ->> '$.moved'))
	END || '')
	WHERE "of" = 'tasks' AND CASE WHEN json_valid(after) THEN json_type(after, '$.moved') = 'text' ELSE 0 END;--> statement-breakpoint
UPDATE `days` SET plan = json_set(days.plan,
	'$.leftOut', json((SELECT json_group_array(json_set(json_remove(value, '$.text'), '$.about', json_object('of', 'asWritten', 'text', value ->> '$.text')))
		FROM json_each(days.plan, '$.leftOut'))),
	'$.ahead', json((SELECT json_group_array(json_set(json_remove(value, '$.text'),
			'$.does', CASE WHEN value ->> '$.text' LIKE 'soak %' THEN 'soak' WHEN value ->> '$.text' LIKE 'rinse %' THEN 'rinse' ELSE 'wet' END,
			'$.wetting', CASE WHEN value ->> '$.minutes' > 0 THEN 'preWet' ELSE 'dryFill' END))
		FROM json_each(days.plan, '$.ahead'))))
	WHERE CASE WHEN json_valid(plan) THEN json_type(plan, '$.leftOut') = 'array' AND json_type(plan, '$.ahead') = 'array' ELSE 0 END;--> statement-breakpoint
UPDATE `changes` SET before = json_set(before, '$.plan', json_set((changes.before ->> '$.plan'),
	'$.leftOut', json((SELECT json_group_array(json_set(json_remove(value, '$.text'), '$.about', json_object('of', 'asWritten', 'text', value ->> '$.text')))
		FROM json_each((changes.before ->> '$.plan'), '$.leftOut'))),
	'$.ahead', json((SELECT json_group_array(json_set(json_remove(value, '$.text'),
			'$.does', CASE WHEN value ->> '$.text' LIKE 'soak %' THEN 'soak' WHEN value ->> '$.text' LIKE 'rinse %' THEN 'rinse' ELSE 'wet' END,
			'$.wetting', CASE WHEN value ->> '$.minutes' > 0 THEN 'preWet' ELSE 'dryFill' END))
		FROM json_each((changes.before ->> '$.plan'), '$.ahead')))) || '')
	WHERE "of" = 'days' AND CASE WHEN json_valid(before) THEN CASE WHEN json_valid((changes.before ->> '$.plan')) THEN json_type((changes.before ->> '$.plan'), '$.leftOut') = 'array' AND json_type((changes.before ->> '$.plan'), '$.ahead') = 'array' ELSE 0 END ELSE 0 END;--> statement-breakpoint
UPDATE `changes` SET after = json_set(after, '$.plan', json_set((changes.after ->> '$.plan'),
	'$.leftOut', json((SELECT json_group_array(json_set(json_remove(value, '$.text'), '$.about', json_object('of', 'asWritten', 'text', value ->> '$.text')))
		FROM json_each((changes.after ->> '$.plan'), '$.leftOut'))),
	'$.ahead', json((SELECT json_group_array(json_set(json_remove(value, '$.text'),
			'$.does', CASE WHEN value ->> '$.text' LIKE 'soak %' THEN 'soak' WHEN value ->> '$.text' LIKE 'rinse %' THEN 'rinse' ELSE 'wet' END,
			'$.wetting', CASE WHEN value ->> '$.minutes' > 0 THEN 'preWet' ELSE 'dryFill' END))
		FROM json_each((changes.after ->> '$.plan'), '$.ahead')))) || '')
	WHERE "of" = 'days' AND CASE WHEN json_valid(after) THEN CASE WHEN json_valid((changes.after ->> '$.plan')) THEN json_type((changes.after ->> '$.plan'), '$.leftOut') = 'array' AND json_type((changes.after ->> '$.plan'), '$.ahead') = 'array' ELSE 0 END ELSE 0 END;
