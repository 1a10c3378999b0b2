-- What was said of an eater, or stands in their days, is taken away by name or not at all: an undo that would drop it is refused.

do $$
declare
    hanging record;
begin
    for hanging in
        select conrelid::regclass as relation, conname as name, pg_get_constraintdef(oid) as definition
        from pg_constraint where contype = 'f' and confrelid = 'eater'::regclass and confdeltype = 'c'
    loop
        execute format('alter table %s drop constraint %I, add constraint %I %s', hanging.relation, hanging.name, hanging.name,
                       replace(hanging.definition, ' ON DELETE CASCADE', ''));
    end loop;
end
$$;
