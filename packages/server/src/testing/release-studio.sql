CREATE SCHEMA door;
CREATE SCHEMA drizzle;
CREATE FUNCTION public.refuse_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  raise exception 'the progress log is append-only' using errcode = 'restrict_violation';
end
$$;
CREATE FUNCTION public.this_studio() RETURNS uuid
    LANGUAGE sql STABLE PARALLEL SAFE
    AS $$
  select nullif(current_setting('seriatim.studio', true), '')::uuid
$$;
CREATE TABLE door.account (
    id text NOT NULL,
    name text NOT NULL,
    email text NOT NULL,
    email_verified boolean DEFAULT false NOT NULL,
    image text,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE door.credential (
    id text NOT NULL,
    account_id text NOT NULL,
    known_as text NOT NULL,
    provider text NOT NULL,
    password text,
    access_token text,
    refresh_token text,
    id_token text,
    access_token_expires_at timestamp with time zone,
    refresh_token_expires_at timestamp with time zone,
    scope text,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE door.door_key (
    "only" boolean DEFAULT true NOT NULL,
    secret text NOT NULL
);
CREATE TABLE door.knocks (
    id text NOT NULL,
    key text NOT NULL,
    count integer NOT NULL,
    last_request bigint NOT NULL
);
CREATE TABLE door.sign_in (
    id text NOT NULL,
    account_id text NOT NULL,
    token text NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    ip_address text,
    user_agent text,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE door.verification (
    id text NOT NULL,
    identifier text NOT NULL,
    value text NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL
);
CREATE TABLE drizzle.__drizzle_migrations (
    id integer NOT NULL,
    hash text NOT NULL,
    created_at bigint
);
CREATE SEQUENCE drizzle.__drizzle_migrations_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;
ALTER SEQUENCE drizzle.__drizzle_migrations_id_seq OWNED BY drizzle.__drizzle_migrations.id;
CREATE TABLE public.access_key (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    id text NOT NULL,
    account_id text NOT NULL,
    name text NOT NULL,
    scope text NOT NULL,
    hash text NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    used_at timestamp with time zone,
    CONSTRAINT access_key_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT access_key_scope_known CHECK ((scope = ANY (ARRAY['look'::text, 'record'::text, 'change'::text])))
);
CREATE TABLE public.air_reading (
    at timestamp with time zone NOT NULL,
    celsius double precision NOT NULL,
    humidity double precision NOT NULL,
    source text NOT NULL,
    place text NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT air_reading_place_known CHECK ((place = ANY (ARRAY['indoors'::text, 'outdoors'::text]))),
    CONSTRAINT air_reading_possible CHECK ((((celsius >= ('-60'::integer)::double precision) AND (celsius <= (70)::double precision)) AND ((humidity >= (1)::double precision) AND (humidity <= (100)::double precision))))
);
CREATE TABLE public.brought_rate (
    technique text NOT NULL,
    size text NOT NULL,
    factor double precision NOT NULL,
    laps double precision NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT brought_rate_positive CHECK (((factor > (0)::double precision) AND (laps > (0)::double precision)))
);
CREATE TABLE public.client (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    id uuid NOT NULL,
    name text NOT NULL,
    contact text NOT NULL,
    note text NOT NULL,
    removed_at timestamp with time zone,
    CONSTRAINT client_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0))
);
CREATE TABLE public.client_link (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    hash text NOT NULL,
    made_at timestamp with time zone NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    revoked_at timestamp with time zone,
    seen_at timestamp with time zone
);
CREATE TABLE public.installation (
    id uuid DEFAULT gen_random_uuid() NOT NULL
);
CREATE TABLE public.material (
    id uuid NOT NULL,
    document jsonb NOT NULL,
    removed_at timestamp with time zone,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT material_document_is_its_own CHECK (((document ->> 'id'::text) = (id)::text))
);
CREATE TABLE public.membership (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    account_id text NOT NULL,
    role text NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT membership_role_known CHECK ((role = ANY (ARRAY['owner'::text, 'manager'::text, 'painter'::text])))
);
CREATE TABLE public.model (
    id uuid NOT NULL,
    unit_id uuid NOT NULL,
    "position" integer NOT NULL,
    name text NOT NULL,
    role text NOT NULL,
    points double precision NOT NULL,
    removed_at timestamp with time zone,
    variants text[] DEFAULT '{}'::text[] NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT model_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT model_points_not_negative CHECK ((points >= (0)::double precision))
);
CREATE TABLE public.packed_log (
    project_id uuid NOT NULL,
    last bigint NOT NULL,
    body bytea NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL
);
CREATE TABLE public.photo (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    model_id uuid,
    caption text NOT NULL,
    released boolean DEFAULT false NOT NULL,
    width integer NOT NULL,
    height integer NOT NULL,
    body bytea NOT NULL,
    made_at timestamp with time zone NOT NULL,
    CONSTRAINT photo_has_a_size CHECK (((width > 0) AND (height > 0)))
);
CREATE TABLE public.plan (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    project_id uuid NOT NULL,
    id uuid NOT NULL,
    revision integer NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_of text,
    stretches jsonb NOT NULL
);
CREATE TABLE public.plan_batch (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    project_id uuid NOT NULL,
    place integer NOT NULL,
    id text NOT NULL,
    unit_id uuid NOT NULL,
    model_ids uuid[] NOT NULL,
    CONSTRAINT plan_batch_has_models CHECK ((cardinality(model_ids) > 0))
);
CREATE TABLE public.price_list (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    document jsonb NOT NULL,
    revision integer NOT NULL
);
CREATE TABLE public.progress_event (
    id uuid NOT NULL,
    sequence bigint NOT NULL,
    project_id uuid NOT NULL,
    kind text NOT NULL,
    at timestamp with time zone NOT NULL,
    stage_id uuid,
    target_id uuid,
    note text,
    received_at timestamp with time zone DEFAULT now() NOT NULL,
    work_seconds integer,
    verdict text,
    device uuid,
    device_number integer,
    painter text,
    dry_seconds integer,
    worth_seconds integer,
    claimed_at timestamp with time zone,
    mix jsonb,
    region text,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT progress_event_device_numbered CHECK (((device IS NULL) = (device_number IS NULL))),
    CONSTRAINT progress_event_facts_not_negative CHECK ((LEAST(dry_seconds, worth_seconds, device_number) >= 0)),
    CONSTRAINT progress_event_shape CHECK (
CASE
    WHEN (kind = ANY (ARRAY['punched'::text, 'cleared'::text, 'touch-up'::text, 'clock-started'::text])) THEN ((stage_id IS NOT NULL) AND (target_id IS NULL))
    WHEN (kind = ANY (ARRAY['judged'::text, 'felt'::text])) THEN ((stage_id IS NOT NULL) AND (target_id IS NULL) AND (verdict IS NOT NULL))
    WHEN (kind = 'inspected'::text) THEN ((stage_id IS NULL) AND (target_id IS NULL) AND (verdict IS NOT NULL))
    WHEN (kind = 'used'::text) THEN ((stage_id IS NOT NULL) AND (target_id IS NULL) AND (mix IS NOT NULL))
    WHEN (kind = 'milestone'::text) THEN ((stage_id IS NULL) AND (target_id IS NULL) AND (work_seconds > 0))
    WHEN (kind = ANY (ARRAY['clock-stopped'::text, 'lap-corrected'::text, 'undone'::text])) THEN ((stage_id IS NULL) AND (target_id IS NOT NULL))
    ELSE false
END),
    CONSTRAINT progress_event_work_positive CHECK ((work_seconds > 0))
);
CREATE TABLE public.progress_event_model (
    event_id uuid NOT NULL,
    model_id uuid NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL
);
CREATE SEQUENCE public.progress_event_sequence_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;
ALTER SEQUENCE public.progress_event_sequence_seq OWNED BY public.progress_event.sequence;
CREATE TABLE public.progress_event_stage (
    event_id uuid NOT NULL,
    stage_id uuid NOT NULL,
    "position" integer NOT NULL,
    dry_seconds integer,
    studio_id uuid DEFAULT public.this_studio() NOT NULL
);
CREATE TABLE public.project (
    id uuid NOT NULL,
    name text NOT NULL,
    due_on date,
    weekdays smallint[] NOT NULL,
    starts_at text NOT NULL,
    evening_seconds integer NOT NULL,
    time_zone text NOT NULL,
    batch_size integer NOT NULL,
    batches_in_hand integer,
    revision integer DEFAULT 0 NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    removed_at timestamp with time zone,
    first_batch integer,
    planning jsonb NOT NULL,
    finish jsonb,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    commission jsonb,
    CONSTRAINT project_batch_size_positive CHECK ((batch_size >= 1)),
    CONSTRAINT project_evening_positive CHECK ((evening_seconds > 0)),
    CONSTRAINT project_first_batch_positive CHECK ((first_batch >= 1)),
    CONSTRAINT project_in_hand_positive CHECK ((batches_in_hand >= 1)),
    CONSTRAINT project_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT project_starts_at_clock CHECK ((starts_at ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'::text)),
    CONSTRAINT project_weekdays_known CHECK (((weekdays <@ ARRAY[(1)::smallint, (2)::smallint, (3)::smallint, (4)::smallint, (5)::smallint, (6)::smallint, (7)::smallint]) AND (cardinality(weekdays) > 0)))
);
CREATE TABLE public.project_change (
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    revision integer NOT NULL,
    at timestamp with time zone NOT NULL,
    device uuid NOT NULL,
    device_number integer NOT NULL,
    painter text,
    commands jsonb NOT NULL,
    verdicts jsonb NOT NULL,
    undo jsonb NOT NULL,
    touched text[] NOT NULL,
    received_at timestamp with time zone DEFAULT now() NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    signed_by text
);
CREATE TABLE public.project_summary (
    project_id uuid NOT NULL,
    made_of text NOT NULL,
    summary jsonb NOT NULL,
    times jsonb,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    lessons jsonb
);
CREATE TABLE public.quote (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    number integer NOT NULL,
    document jsonb NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_by text,
    accepted_at timestamp with time zone,
    accepted_by text,
    accepted_standard text,
    CONSTRAINT quote_accepted_for_a_standard CHECK (((accepted_at IS NULL) = (accepted_standard IS NULL)))
);
CREATE TABLE public.recipe (
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    "position" integer NOT NULL,
    document jsonb NOT NULL,
    removed_at timestamp with time zone,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT recipe_document_is_its_own CHECK (((document ->> 'id'::text) = (id)::text))
);
CREATE TABLE public.stage (
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    "position" integer NOT NULL,
    name text NOT NULL,
    material text NOT NULL,
    touch_kind text NOT NULL,
    regions text[] NOT NULL,
    hands_on_seconds_per_model integer NOT NULL,
    set_up_seconds integer NOT NULL,
    drying_min_seconds integer NOT NULL,
    drying_max_seconds integer NOT NULL,
    table_ready boolean NOT NULL,
    cautions text[] NOT NULL,
    note text NOT NULL,
    removed_at timestamp with time zone,
    steps jsonb DEFAULT '[]'::jsonb NOT NULL,
    limits jsonb DEFAULT '[]'::jsonb NOT NULL,
    technique text,
    typed jsonb DEFAULT '[]'::jsonb NOT NULL,
    next_within_seconds integer,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT stage_drying_in_order CHECK ((drying_max_seconds >= drying_min_seconds)),
    CONSTRAINT stage_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT stage_next_within_not_negative CHECK ((next_within_seconds >= 0)),
    CONSTRAINT stage_regions_named CHECK (((touch_kind = 'regions'::text) = (cardinality(regions) > 0))),
    CONSTRAINT stage_times_not_negative CHECK ((LEAST(hands_on_seconds_per_model, set_up_seconds, drying_min_seconds) >= 0)),
    CONSTRAINT stage_touch_known CHECK ((touch_kind = ANY (ARRAY['whole'::text, 'regions'::text, 'base'::text])))
);
CREATE TABLE public.stage_exemption (
    stage_id uuid NOT NULL,
    unit_id uuid NOT NULL,
    studio_id uuid DEFAULT public.this_studio() NOT NULL
);
CREATE TABLE public.studio (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    name text NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    hours_of uuid,
    CONSTRAINT studio_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0))
);
CREATE TABLE public.unit (
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    "position" integer NOT NULL,
    name text NOT NULL,
    removed_at timestamp with time zone,
    standard text DEFAULT 'display'::text NOT NULL,
    size text DEFAULT 'foot'::text NOT NULL,
    detail text DEFAULT 'usual'::text NOT NULL,
    per_holder integer DEFAULT 1 NOT NULL,
    pilot uuid[] DEFAULT '{}'::uuid[] NOT NULL,
    joined_to_unit uuid,
    joined_at_stage uuid,
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    CONSTRAINT unit_detail_known CHECK ((detail = ANY (ARRAY['plain'::text, 'usual'::text, 'ornate'::text]))),
    CONSTRAINT unit_holder_positive CHECK ((per_holder >= 1)),
    CONSTRAINT unit_joined_to_another CHECK ((joined_to_unit <> id)),
    CONSTRAINT unit_joined_whole CHECK (((joined_to_unit IS NULL) = (joined_at_stage IS NULL))),
    CONSTRAINT unit_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT unit_size_known CHECK ((size = ANY (ARRAY['small'::text, 'foot'::text, 'large foot'::text, 'mounted'::text, 'large'::text, 'very large'::text, 'huge'::text]))),
    CONSTRAINT unit_standard_known CHECK ((standard = ANY (ARRAY['three-colour'::text, 'tabletop'::text, 'tabletop plus'::text, 'display'::text])))
);
ALTER TABLE ONLY drizzle.__drizzle_migrations ALTER COLUMN id SET DEFAULT nextval('drizzle.__drizzle_migrations_id_seq'::regclass);
ALTER TABLE ONLY public.progress_event ALTER COLUMN sequence SET DEFAULT nextval('public.progress_event_sequence_seq'::regclass);
INSERT INTO door.door_key VALUES (true, '7b3f20e9-8fef-499f-b26d-789afd0708396fdf1ae2-917a-4d3d-aacb-039834bcb486');
INSERT INTO drizzle.__drizzle_migrations VALUES (1, 'b9fedc672172548d1a1d87efafa45ade183d6839e0b4fee706d30663cc0ea41b', 1795579515031);
INSERT INTO drizzle.__drizzle_migrations VALUES (2, '7443c004c96a6a52291655d07bfdad4dad82636052b817fc7e9fa4d5bbb39e51', 1795579516654);
INSERT INTO drizzle.__drizzle_migrations VALUES (3, 'e866884e49356d59ef0d8e966d12dd481d2869d26b04fc2c52da605d1a526e54', 1795597371743);
INSERT INTO drizzle.__drizzle_migrations VALUES (4, '5b420063988d41a9fcbbaf617a36bd3270c9c7001c0b78f061f8f23f048f63c7', 1795603931589);
INSERT INTO drizzle.__drizzle_migrations VALUES (5, '0e810852b7fa820eb6a89c56043c4986d44592ac327022232ac8454aba06ee7c', 1795618047370);
INSERT INTO drizzle.__drizzle_migrations VALUES (6, 'e6f871b0882c05e82dd5c14a77cf00891b171104dc450d6da6d4aaa40e066551', 1795626926170);
INSERT INTO drizzle.__drizzle_migrations VALUES (7, 'fce182a7537e4f54cc49d8e310061ce65af0f57eb4db4c4d4ba6e70cc17f4a8b', 1795662637486);
INSERT INTO drizzle.__drizzle_migrations VALUES (8, '3e12be98794778284fbca3d8c499abf60cbdbd23b474ab68c4a448694c031759', 1795678085951);
INSERT INTO drizzle.__drizzle_migrations VALUES (9, 'dc544eb4e12eed350ee1980578879940db25f49f04e6a45c54c511b433ef661f', 1795687405216);
INSERT INTO drizzle.__drizzle_migrations VALUES (10, '318c4b8f21a4ed315eb326c8d432f33d44a43206e64484ba73bd1c96f0652b94', 1795698920603);
INSERT INTO drizzle.__drizzle_migrations VALUES (11, '21f17ad11ec18cf7f88a2bf0f6de27aba2d8278a8d8cd0496e72f7e4f7da4b5f', 1795703644790);
INSERT INTO drizzle.__drizzle_migrations VALUES (12, '1a03de6d3baea5aa268c3bd6aee1eb1f764f2b3a511d07c540acc971f4262c9d', 1795720862871);
INSERT INTO drizzle.__drizzle_migrations VALUES (13, '4677a36de383e97ac1add8900c6b4cefa207e9c6d72f38d7d9f532a2a125ac8f', 1795723482979);
INSERT INTO drizzle.__drizzle_migrations VALUES (14, 'acfd76bef7217fab107014e4ec7e9db3676ab320d9cc590df8e452122ca0031e', 1795724240016);
INSERT INTO drizzle.__drizzle_migrations VALUES (15, 'eb624d6de4d4fd6f64bda9907c68a46c201520167f7bf859878b33bbdd3e0ab1', 1795725986591);
INSERT INTO drizzle.__drizzle_migrations VALUES (16, '1f37331a461a3f7eae62df0d89371556ce31134b007b91d7d89b63a83d89db08', 1795733372942);
INSERT INTO drizzle.__drizzle_migrations VALUES (17, 'ac91c861ec674fa23b93c5a21aebed9bed3730cd51a6c2480de9dc22b86879c4', 1795743871692);
INSERT INTO drizzle.__drizzle_migrations VALUES (18, 'f34246e4809a4d9c90e8cceaae0aedb5a0627c8d4b113e920a018344d1e7cc30', 1795744733611);
INSERT INTO drizzle.__drizzle_migrations VALUES (19, '2a94ba6c8dc39f37ade4d4131b96871488aadcefb51f401cba5d26f81ddef8a0', 1795747303265);
INSERT INTO drizzle.__drizzle_migrations VALUES (20, 'db0c6ce3356adc5869bed6934f365be56bf565bfbeff728acb1c61230456bdb0', 1795748903452);
INSERT INTO drizzle.__drizzle_migrations VALUES (21, '36d7fee4efc346e55442768627d881c81b6f43690a96f28f2755277e2040b684', 1795754428706);
INSERT INTO drizzle.__drizzle_migrations VALUES (22, '292e31222cada08788cce75e3a2011ab2c418bee597c66eba0a1878498703276', 1795755695243);
INSERT INTO drizzle.__drizzle_migrations VALUES (23, 'befa80915052a42fbbe9e0bcfcb383eab71739b2960335b982997e01dc4fcdb0', 1795758703227);
INSERT INTO drizzle.__drizzle_migrations VALUES (24, 'eb63aa38fc9438ad3e369fc12d99a4840e9d7479be24726cae6b37bcbc14f8a2', 1795759984670);
INSERT INTO drizzle.__drizzle_migrations VALUES (25, '1f4ff32d602b15b654de2a2ce0bc4383e581948f16d1287b087b74d429ddbfa3', 1795790794108);
INSERT INTO drizzle.__drizzle_migrations VALUES (26, 'e79f281b093822c12b9b62bcf5cec43e06ce6f89fafbe75bd1290f0d95b7ca74', 1795802456459);
INSERT INTO drizzle.__drizzle_migrations VALUES (27, '602f4df030f63c133ae6625c29f9dcea2d59a880f4470101f85bccd1e4bdd841', 1795803570241);
INSERT INTO public.client VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '01a21fbb-158a-775b-9258-6f2c354c8dac', 'Maren Voss', 'by the lock', 'quiet in colour', NULL);
INSERT INTO public.client_link VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '01a21fbb-160a-7031-9db1-7225278d7e83', '01a21fbb-127a-7019-9655-f7b568d1115a', 'd7a26ad57985f386441d9fe404c9494ac711531f3619632865c19abdb2e4d91a', '2026-11-24 21:00:00+00', '2026-12-24 21:00:00+00', NULL, NULL);
INSERT INTO public.installation VALUES ('d00ca669-6250-4b0a-885a-45071844bd2a');
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000001', '{"id": "01930000-0000-7000-8001-000000000001", "form": null, "kind": "primer", "name": "black primer, spray", "potMl": 400, "sheen": null, "colour": "#1e1f20", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "workable": null, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000002', '{"id": "01930000-0000-7000-8001-000000000002", "form": null, "kind": "primer", "name": "grey primer, spray", "potMl": 400, "sheen": null, "colour": "#8b8f90", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "workable": null, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.model VALUES ('01a21fbb-139f-73ff-94f8-86939bf98008', '01a21fbb-139f-73ff-94f8-91b8dc3dcbfd', 0, 'Reed-pike 1', 'trooper', 5, NULL, '{cloak,"hair 1"}', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.model VALUES ('01a21fbb-139f-73ff-94f8-881db6f23c7e', '01a21fbb-139f-73ff-94f8-91b8dc3dcbfd', 1, 'Reed-pike 2', 'trooper', 5, NULL, '{cloak,"hair 2"}', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.model VALUES ('01a21fbb-139f-73ff-94f8-8fbc9afbc936', '01a21fbb-139f-73ff-94f8-91b8dc3dcbfd', 2, 'Reed-pike 3', 'trooper', 5, NULL, '{cloak,"hair 3"}', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.photo VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '01a21fbb-1616-700b-9ae0-05acb86788c8', '01a21fbb-127a-7019-9655-f7b568d1115a', '01a21fbb-139f-73ff-94f8-86939bf98008', 'the first', true, 40, 30, '\xffd8ffdb00430006040506050406060506070706080a100a0a09090a140e0f0c1017141818171416161a1d251f1a1b231c1616202c20232627292a29191f2d302d283025282928ffdb0043010707070a080a130a0a13281a161a2828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828ffc0001108001e002803012200021101031101ffc4001500010100000000000000000000000000000006ffc40014100100000000000000000000000000000000ffc4001501010100000000000000000000000000000005ffc40014110100000000000000000000000000000000ffda000c03010002110311003f0094016920000000000000001fffd9', '2026-11-24 21:00:00+00');
INSERT INTO public.price_list VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '{"box": 800, "can": 1200, "pot": 350, "hour": 2600, "piece": 10, "basing": 100, "margin": 0.15, "packing": 40, "currency": "EUR", "painters": [], "confidence": 0.8, "contingency": 0.05, "preparationSeconds": 360}', 1);
INSERT INTO public.progress_event VALUES ('01a21fbb-1624-765f-8c98-133c7b001893', 1, '01a21fbb-127a-7019-9655-f7b568d1115a', 'punched', '2026-11-24 19:41:00+00', '01a21fbb-139f-73ff-94f8-9776f7c341d1', NULL, NULL, '2026-11-28 01:18:04.328422+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.progress_event VALUES ('01a21fbb-1625-7604-b83c-da41f89fe75d', 2, '01a21fbb-127a-7019-9655-f7b568d1115a', 'punched', '2026-11-24 19:41:00+00', '01a21fbb-139f-73ff-94f8-9a1f085ca55e', NULL, NULL, '2026-11-28 01:18:04.328422+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.progress_event_model VALUES ('01a21fbb-1624-765f-8c98-133c7b001893', '01a21fbb-139f-73ff-94f8-8fbc9afbc936', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.progress_event_model VALUES ('01a21fbb-1625-7604-b83c-da41f89fe75d', '01a21fbb-139f-73ff-94f8-86939bf98008', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.progress_event_model VALUES ('01a21fbb-1624-765f-8c98-133c7b001893', '01a21fbb-139f-73ff-94f8-86939bf98008', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.progress_event_model VALUES ('01a21fbb-1624-765f-8c98-133c7b001893', '01a21fbb-139f-73ff-94f8-881db6f23c7e', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.project VALUES ('01a21fbb-127a-7019-9655-f7b568d1115a', 'Old sluice', '2026-12-12', '{2,4}', '19:30', 9000, 'Europe/Berlin', 6, 3, 3, '2026-11-28 01:18:03.440169+00', NULL, 2, '{"aims": ["date", "waiting"], "held": {"all": false, "stages": [], "batches": []}, "pins": [], "bores": {"unitSeconds": 5400, "stageSeconds": 1800}, "first": [], "batches": [], "holders": [], "handOver": null, "painters": [{"id": "you", "off": [], "name": "You", "pace": 1, "extra": [], "rules": [], "cannot": [], "dropped": []}], "teamwork": "free", "skipShare": 0.1, "airbrushes": 1, "rackPlaces": null, "sprayHours": null, "sprayPlaces": 1}', NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '{"clientId": "01a21fbb-158a-775b-9258-6f2c354c8dac", "received": "3 of 3", "arrivesOn": "2026-11-20", "testModel": null, "deliveredOn": null}');
INSERT INTO public.project_change VALUES ('01a21fbb-145c-7526-b50c-6da778de1a20', '01a21fbb-127a-7019-9655-f7b568d1115a', 1, '2026-11-24 19:41:00+00', '01a21fbb-145c-7526-b50c-738bf97e820c', 1, NULL, '[{"id": "01a21fbb-139f-73ff-94f8-91b8dc3dcbfd", "in": null, "kind": "put", "after": null, "thing": "unit", "value": {"id": "01a21fbb-139f-73ff-94f8-91b8dc3dcbfd", "name": "Reed-pikes", "size": "large foot", "pilot": ["01a21fbb-139f-73ff-94f8-881db6f23c7e"], "detail": "ornate", "models": [{"id": "01a21fbb-139f-73ff-94f8-86939bf98008", "name": "Reed-pike 1", "role": "trooper", "points": 5, "variants": ["cloak", "hair 1"]}, {"id": "01a21fbb-139f-73ff-94f8-881db6f23c7e", "name": "Reed-pike 2", "role": "trooper", "points": 5, "variants": ["cloak", "hair 2"]}, {"id": "01a21fbb-139f-73ff-94f8-8fbc9afbc936", "name": "Reed-pike 3", "role": "trooper", "points": 5, "variants": ["cloak", "hair 3"]}], "joinedAt": null, "standard": "tabletop", "perHolder": 3}, "before": null}, {"id": "01a21fbb-139f-73ff-94f8-9776f7c341d1", "in": null, "kind": "put", "after": null, "thing": "stage", "value": {"id": "01a21fbb-139f-73ff-94f8-9776f7c341d1", "name": "Prime", "note": "", "steps": [], "touch": {"kind": "whole"}, "typed": [], "limits": [], "cautions": [], "material": "prime", "technique": null, "tableReady": false, "notNeededBy": [], "setUpSeconds": 120, "dryingMaxSeconds": 600, "dryingMinSeconds": 300, "nextWithinSeconds": null, "handsOnSecondsPerModel": 60}, "before": "01a21fbb-139f-73ff-94f8-9a1f085ca55e"}, {"id": "01a21fbb-139f-73ff-94f8-9a1f085ca55e", "in": null, "kind": "put", "after": "01a21fbb-139f-73ff-94f8-9776f7c341d1", "thing": "stage", "value": {"id": "01a21fbb-139f-73ff-94f8-9a1f085ca55e", "name": "Coat", "note": "", "steps": [], "touch": {"kind": "whole"}, "typed": [], "limits": [], "cautions": [], "material": "coat", "technique": null, "tableReady": false, "notNeededBy": [], "setUpSeconds": 120, "dryingMaxSeconds": 600, "dryingMinSeconds": 300, "nextWithinSeconds": null, "handsOnSecondsPerModel": 60}, "before": null}]', '[{"kind": "done"}, {"kind": "done"}, {"kind": "done"}]', '[{"id": "01a21fbb-139f-73ff-94f8-9a1f085ca55e", "in": null, "kind": "take", "thing": "stage"}, {"id": "01a21fbb-139f-73ff-94f8-9776f7c341d1", "in": null, "kind": "take", "thing": "stage"}, {"id": "01a21fbb-139f-73ff-94f8-91b8dc3dcbfd", "in": null, "kind": "take", "thing": "unit"}]', '{unit:01a21fbb-139f-73ff-94f8-91b8dc3dcbfd,stage:01a21fbb-139f-73ff-94f8-9776f7c341d1,stage:01a21fbb-139f-73ff-94f8-9a1f085ca55e}', '2026-11-28 01:18:03.881291+00', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', NULL);
INSERT INTO public.project_change VALUES ('01a21fbb-1545-75d4-a83c-c66203020395', '01a21fbb-127a-7019-9655-f7b568d1115a', 2, '2026-11-24 19:41:00+00', '01a21fbb-1545-75d4-a83c-cbe7d604ed33', 2, NULL, '[{"kind": "set", "field": "name", "thing": "project", "value": "Old sluice"}]', '[{"kind": "done"}]', '[{"kind": "set", "field": "name", "thing": "project", "value": "Tallow Fen"}]', '{project.name}', '2026-11-28 01:18:04.105022+00', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', NULL);
INSERT INTO public.project_change VALUES ('01a21fbb-15bc-77dd-9a81-a37ed458deb1', '01a21fbb-127a-7019-9655-f7b568d1115a', 3, '2026-11-24 19:41:00+00', '01a21fbb-15bc-77dd-9a81-a5f153699bf4', 3, NULL, '[{"kind": "set", "field": "commission", "thing": "project", "value": {"clientId": "01a21fbb-158a-775b-9258-6f2c354c8dac", "received": "3 of 3", "arrivesOn": "2026-11-20", "testModel": null, "deliveredOn": null}}]', '[{"kind": "done"}]', '[{"kind": "set", "field": "commission", "thing": "project", "value": null}]', '{project.commission}', '2026-11-28 01:18:04.223353+00', '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', NULL);
INSERT INTO public.quote VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '01a21fbb-15d5-73e4-827f-99c1bde806a6', '01a21fbb-127a-7019-9655-f7b568d1115a', 1, '{"tiers": [{"hour": 2000, "parts": {"basing": 1500, "margin": 3780, "packing": 1000, "painting": 20000, "materials": 500, "contingency": 1200, "preparation": 1000}, "price": 28980, "standard": "tabletop", "lowSeconds": 30000, "promisedOn": "2026-12-20", "highSeconds": 42000, "chargedSeconds": 36000.5}], "models": 3, "currency": "EUR", "confidence": 0.8}', '2026-11-24 21:00:00+00', NULL, '2026-11-24 21:00:00+00', NULL, 'tabletop');
INSERT INTO public.quote VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', '01a21fbb-1601-7205-8f7f-fc19e4fbef0f', '01a21fbb-127a-7019-9655-f7b568d1115a', 2, '{"tiers": [{"hour": 2000, "parts": {"basing": 1500, "margin": 3780, "packing": 1000, "painting": 20000, "materials": 500, "contingency": 1200, "preparation": 1000}, "price": 28980, "standard": "tabletop", "lowSeconds": 30000, "promisedOn": "2026-12-20", "highSeconds": 42000, "chargedSeconds": 36000.5}], "models": 3, "currency": "EUR", "confidence": 0.8}', '2026-11-24 21:00:00+00', NULL, NULL, NULL, NULL);
INSERT INTO public.stage VALUES ('01a21fbb-139f-73ff-94f8-9776f7c341d1', '01a21fbb-127a-7019-9655-f7b568d1115a', 0, 'Prime', 'prime', 'whole', '{}', 60, 120, 300, 600, false, '{}', '', NULL, '[]', '[]', NULL, '[]', NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.stage VALUES ('01a21fbb-139f-73ff-94f8-9a1f085ca55e', '01a21fbb-127a-7019-9655-f7b568d1115a', 1, 'Coat', 'coat', 'whole', '{}', 60, 120, 300, 600, false, '{}', '', NULL, '[]', '[]', NULL, '[]', NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
INSERT INTO public.studio VALUES ('7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c', 'Own desk', '2026-11-28 01:18:03.150851+00', NULL);
INSERT INTO public.unit VALUES ('01a21fbb-139f-73ff-94f8-91b8dc3dcbfd', '01a21fbb-127a-7019-9655-f7b568d1115a', 0, 'Reed-pikes', NULL, 'tabletop', 'large foot', 'ornate', 3, '{01a21fbb-139f-73ff-94f8-881db6f23c7e}', NULL, NULL, '7e6bf61f-0dd6-4b6c-a4b4-b6eb94da9c4c');
SELECT pg_catalog.setval('drizzle.__drizzle_migrations_id_seq', 27, true);
SELECT pg_catalog.setval('public.progress_event_sequence_seq', 2, true);
ALTER TABLE ONLY door.account
    ADD CONSTRAINT account_email_unique UNIQUE (email);
ALTER TABLE ONLY door.account
    ADD CONSTRAINT account_pkey PRIMARY KEY (id);
ALTER TABLE ONLY door.credential
    ADD CONSTRAINT credential_pkey PRIMARY KEY (id);
ALTER TABLE ONLY door.door_key
    ADD CONSTRAINT door_key_pkey PRIMARY KEY ("only");
ALTER TABLE ONLY door.knocks
    ADD CONSTRAINT knocks_key_unique UNIQUE (key);
ALTER TABLE ONLY door.knocks
    ADD CONSTRAINT knocks_pkey PRIMARY KEY (id);
ALTER TABLE ONLY door.sign_in
    ADD CONSTRAINT sign_in_pkey PRIMARY KEY (id);
ALTER TABLE ONLY door.sign_in
    ADD CONSTRAINT sign_in_token_unique UNIQUE (token);
ALTER TABLE ONLY door.verification
    ADD CONSTRAINT verification_pkey PRIMARY KEY (id);
ALTER TABLE ONLY drizzle.__drizzle_migrations
    ADD CONSTRAINT __drizzle_migrations_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.access_key
    ADD CONSTRAINT access_key_hash_unique UNIQUE (hash);
ALTER TABLE ONLY public.access_key
    ADD CONSTRAINT access_key_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.air_reading
    ADD CONSTRAINT air_reading_studio_id_at_place_pk PRIMARY KEY (studio_id, at, place);
ALTER TABLE ONLY public.brought_rate
    ADD CONSTRAINT brought_rate_studio_id_technique_size_pk PRIMARY KEY (studio_id, technique, size);
ALTER TABLE ONLY public.client_link
    ADD CONSTRAINT client_link_hash_unique UNIQUE (hash);
ALTER TABLE ONLY public.client_link
    ADD CONSTRAINT client_link_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.client
    ADD CONSTRAINT client_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.installation
    ADD CONSTRAINT installation_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.material
    ADD CONSTRAINT material_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.membership
    ADD CONSTRAINT membership_studio_id_account_id_pk PRIMARY KEY (studio_id, account_id);
ALTER TABLE ONLY public.model
    ADD CONSTRAINT model_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.packed_log
    ADD CONSTRAINT packed_log_studio_id_project_id_pk PRIMARY KEY (studio_id, project_id);
ALTER TABLE ONLY public.photo
    ADD CONSTRAINT photo_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.plan_batch
    ADD CONSTRAINT plan_batch_studio_id_project_id_place_pk PRIMARY KEY (studio_id, project_id, place);
ALTER TABLE ONLY public.plan
    ADD CONSTRAINT plan_studio_id_project_id_pk PRIMARY KEY (studio_id, project_id);
ALTER TABLE ONLY public.price_list
    ADD CONSTRAINT price_list_pkey PRIMARY KEY (studio_id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_studio_id_event_id_model_id_pk PRIMARY KEY (studio_id, event_id, model_id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_studio_id_event_id_stage_id_pk PRIMARY KEY (studio_id, event_id, stage_id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.project_change
    ADD CONSTRAINT project_change_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.project
    ADD CONSTRAINT project_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.project_summary
    ADD CONSTRAINT project_summary_studio_id_project_id_pk PRIMARY KEY (studio_id, project_id);
ALTER TABLE ONLY public.quote
    ADD CONSTRAINT quote_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.recipe
    ADD CONSTRAINT recipe_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_studio_id_stage_id_unit_id_pk PRIMARY KEY (studio_id, stage_id, unit_id);
ALTER TABLE ONLY public.stage
    ADD CONSTRAINT stage_studio_id_id_pk PRIMARY KEY (studio_id, id);
ALTER TABLE ONLY public.studio
    ADD CONSTRAINT studio_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.unit
    ADD CONSTRAINT unit_studio_id_id_pk PRIMARY KEY (studio_id, id);
CREATE INDEX credential_by_account ON door.credential USING btree (account_id);
CREATE INDEX sign_in_by_account ON door.sign_in USING btree (account_id);
CREATE UNIQUE INDEX material_name_once ON public.material USING btree (studio_id, lower((document ->> 'name'::text))) WHERE (removed_at IS NULL);
CREATE INDEX membership_by_account ON public.membership USING btree (account_id);
CREATE INDEX model_by_unit ON public.model USING btree (studio_id, unit_id, "position");
CREATE INDEX photo_by_project ON public.photo USING btree (studio_id, project_id, made_at);
CREATE INDEX progress_event_by_project ON public.progress_event USING btree (studio_id, project_id, sequence);
CREATE UNIQUE INDEX project_change_by_revision ON public.project_change USING btree (studio_id, project_id, revision);
CREATE UNIQUE INDEX quote_by_project ON public.quote USING btree (studio_id, project_id, number);
CREATE INDEX recipe_by_project ON public.recipe USING btree (studio_id, project_id, "position");
CREATE INDEX stage_by_project ON public.stage USING btree (studio_id, project_id, "position");
CREATE INDEX unit_by_project ON public.unit USING btree (studio_id, project_id, "position");
CREATE TRIGGER progress_event_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
CREATE TRIGGER progress_event_model_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event_model FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
CREATE TRIGGER progress_event_stage_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event_stage FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
CREATE TRIGGER project_change_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.project_change FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
ALTER TABLE ONLY door.credential
    ADD CONSTRAINT credential_account_id_account_id_fk FOREIGN KEY (account_id) REFERENCES door.account(id) ON DELETE CASCADE;
ALTER TABLE ONLY door.sign_in
    ADD CONSTRAINT sign_in_account_id_account_id_fk FOREIGN KEY (account_id) REFERENCES door.account(id) ON DELETE CASCADE;
ALTER TABLE ONLY public.access_key
    ADD CONSTRAINT access_key_maker FOREIGN KEY (studio_id, account_id) REFERENCES public.membership(studio_id, account_id) ON DELETE CASCADE;
ALTER TABLE ONLY public.air_reading
    ADD CONSTRAINT air_reading_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.brought_rate
    ADD CONSTRAINT brought_rate_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.client_link
    ADD CONSTRAINT client_link_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.client
    ADD CONSTRAINT client_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.material
    ADD CONSTRAINT material_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.membership
    ADD CONSTRAINT membership_account_id_account_id_fk FOREIGN KEY (account_id) REFERENCES door.account(id) ON DELETE CASCADE;
ALTER TABLE ONLY public.membership
    ADD CONSTRAINT membership_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.model
    ADD CONSTRAINT model_studio_id_unit_id_unit_studio_id_id_fk FOREIGN KEY (studio_id, unit_id) REFERENCES public.unit(studio_id, id);
ALTER TABLE ONLY public.packed_log
    ADD CONSTRAINT packed_log_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.photo
    ADD CONSTRAINT photo_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.plan_batch
    ADD CONSTRAINT plan_batch_studio_id_project_id_plan_studio_id_project_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.plan(studio_id, project_id) ON DELETE CASCADE;
ALTER TABLE ONLY public.plan
    ADD CONSTRAINT plan_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.price_list
    ADD CONSTRAINT price_list_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_event FOREIGN KEY (studio_id, event_id) REFERENCES public.progress_event(studio_id, id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_model FOREIGN KEY (studio_id, model_id) REFERENCES public.model(studio_id, id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_event FOREIGN KEY (studio_id, event_id) REFERENCES public.progress_event(studio_id, id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_stage FOREIGN KEY (studio_id, stage_id) REFERENCES public.stage(studio_id, id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_studio_id_stage_id_stage_studio_id_id_fk FOREIGN KEY (studio_id, stage_id) REFERENCES public.stage(studio_id, id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_target FOREIGN KEY (studio_id, target_id) REFERENCES public.progress_event(studio_id, id) DEFERRABLE INITIALLY DEFERRED;
ALTER TABLE ONLY public.project_change
    ADD CONSTRAINT project_change_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.project
    ADD CONSTRAINT project_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id);
ALTER TABLE ONLY public.project_summary
    ADD CONSTRAINT project_summary_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.quote
    ADD CONSTRAINT quote_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.recipe
    ADD CONSTRAINT recipe_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_studio_id_stage_id_stage_studio_id_id_fk FOREIGN KEY (studio_id, stage_id) REFERENCES public.stage(studio_id, id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_studio_id_unit_id_unit_studio_id_id_fk FOREIGN KEY (studio_id, unit_id) REFERENCES public.unit(studio_id, id);
ALTER TABLE ONLY public.stage
    ADD CONSTRAINT stage_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE ONLY public.unit
    ADD CONSTRAINT unit_studio_id_project_id_project_studio_id_id_fk FOREIGN KEY (studio_id, project_id) REFERENCES public.project(studio_id, id);
ALTER TABLE public.access_key ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.air_reading ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.brought_rate ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.client ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.client_link ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.material ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.membership ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.model ENABLE ROW LEVEL SECURITY;
CREATE POLICY own_studio ON public.access_key USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.air_reading USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.brought_rate USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.client USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.client_link USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.material USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.membership USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.model USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.packed_log USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.photo USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.plan USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.plan_batch USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.price_list USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.progress_event USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.progress_event_model USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.progress_event_stage USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.project USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.project_change USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.project_summary USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.quote USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.recipe USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.stage USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.stage_exemption USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio ON public.unit USING ((studio_id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio_named ON public.studio FOR UPDATE USING ((id = ( SELECT public.this_studio() AS this_studio)));
CREATE POLICY own_studio_seen ON public.studio FOR SELECT USING ((id = ( SELECT public.this_studio() AS this_studio)));
ALTER TABLE public.packed_log ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.photo ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.plan ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.plan_batch ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.price_list ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.progress_event ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.progress_event_model ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.progress_event_stage ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.project ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.project_change ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.project_summary ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.quote ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.recipe ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.stage ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.stage_exemption ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.studio ENABLE ROW LEVEL SECURITY;
ALTER TABLE public.unit ENABLE ROW LEVEL SECURITY;
