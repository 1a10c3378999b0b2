alter table kitchen_item drop constraint kitchen_item_kind_known;
alter table kitchen_item add constraint kitchen_item_kind_known check (kind in
    ('oven', 'burner', 'pressure-cooker', 'slow-cooker', 'air-fryer', 'microwave', 'blender', 'sink', 'fridge', 'cooling-space',
     'scale', 'pan', 'pot', 'tray', 'mould', 'bowl'));
