-- A soap that was entered once for each of its pours ("Regatta, first pour", "Regatta, second pour") becomes one soap that
-- is poured in several, where all of it but the name is the same and nothing else points at it.
CREATE TABLE `turns_joined` AS
WITH ordinals(word) AS (
  VALUES ('first'), ('second'), ('third'), ('fourth'), ('fifth'), ('sixth'), ('seventh'), ('eighth'), ('ninth'), ('tenth')
),
turns AS (
  SELECT d.id, b.id AS batch_id, b.pour_day, d.mould_id, d.mould_count, d.bars_wanted, m.bar_thickness_mm,
    substr(d.name, 1, length(d.name) - length(', ' || o.word || ' pour')) AS soap,
    json_array(d.collection_id, d.technique, d.scent, d.colours, d.pour_plan, d.batter_hex, d.recipe_id, d.mould_id,
      d.mould_count, d.label_mass_g, d.bevelled, d.stamped, d.earliest_day) AS alike
  FROM designs d
  JOIN ordinals o ON d.name LIKE '_%, ' || o.word || ' pour'
  JOIN batches b ON b.design_id = d.id AND b.is_removed = 0 AND b.own IS NULL
  JOIN moulds m ON m.id = d.mould_id
  WHERE d.is_removed = 0 AND d.more_moulds = '[]' AND d.displaced_ml = 0 AND d.top_ml = 0
    AND (SELECT count(*) FROM batches x WHERE x.design_id = d.id AND x.is_removed = 0) = 1
    AND NOT EXISTS (SELECT 1 FROM shop_offers s WHERE s.design_id = d.id)
    AND NOT EXISTS (SELECT 1 FROM shop_sales s WHERE s.design_id = d.id)
    AND NOT EXISTS (SELECT 1 FROM owed_sales s WHERE s.design_id = d.id)
)
SELECT id, batch_id, mould_id, mould_count, bars_wanted, bar_thickness_mm, soap,
  first_value(id) OVER in_order AS kept,
  row_number() OVER in_order AS turn,
  count(*) OVER (PARTITION BY soap, alike) AS turns,
  sum(bars_wanted) OVER (PARTITION BY soap, alike) AS bars
FROM turns
WINDOW in_order AS (PARTITION BY soap, alike ORDER BY pour_day, id);--> statement-breakpoint
UPDATE batches SET
  own = json_object('mouldId', t.mould_id, 'mouldCount', t.mould_count, 'barsWanted', t.bars_wanted,
    'barThicknessMm', t.bar_thickness_mm),
  label = 'pour ' || t.turn || ' of ' || t.turns,
  design_id = t.kept,
  version = version + 1
FROM turns_joined t WHERE t.batch_id = batches.id AND t.turns > 1;--> statement-breakpoint
UPDATE designs SET name = t.soap, bars_wanted = t.bars, version = version + 1
FROM turns_joined t WHERE t.id = designs.id AND t.id = t.kept AND t.turns > 1;--> statement-breakpoint
UPDATE designs SET brought_from_id = t.kept
FROM turns_joined t WHERE t.id = designs.brought_from_id AND t.turns > 1;--> statement-breakpoint
UPDATE designs SET is_removed = 1, version = version + 1
WHERE id IN (SELECT id FROM turns_joined WHERE turns > 1 AND id <> kept);--> statement-breakpoint
DROP TABLE `turns_joined`;
