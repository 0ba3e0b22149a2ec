-- Operations gain economics; milling gains a path, the rest of its feature and of its holding. What nobody stated is null.
UPDATE "variants" SET "document" =
  jsonb_build_object('economics', '{"machinePerHour": null, "edgePrice": null, "edgeChangeMin": null}'::jsonb) || "document";
--> statement-breakpoint
UPDATE "variants" SET "document" = jsonb_build_object('path', jsonb_build_object(
    'strategy', CASE "document"->'feature'->>'kind' WHEN 'pocket' THEN 'constant-engagement' ELSE 'levels' END,
    'entry', jsonb_build_object(
      'method', CASE "document"->'feature'->>'kind' WHEN 'pocket' THEN 'helix' WHEN 'slot' THEN 'ramp' ELSE 'outside' END,
      'rampAngleDeg', NULL, 'helixDiameterMm', NULL, 'startHeightMm', 0.5, 'taperDeg', 0),
    'cornerPathRadiusMm', NULL, 'leadInRadiusMm', NULL, 'toleranceMm', 0.01, 'blocks', 'arcs', 'springPasses', 0))
  || "document"
  || jsonb_build_object(
    'feature', '{"island": null, "stockMm": null, "through": false, "slopeDeg": 90, "raUm": null, "scallopMm": null}'::jsonb
      || ("document"->'feature'),
    'workholding', '{"liftCapacityN": null, "releaseC": null}'::jsonb || ("document"->'workholding'))
WHERE "document"->>'kind' = 'milling';
