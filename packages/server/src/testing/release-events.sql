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
    updated_at timestamp with time zone DEFAULT now() NOT NULL,
    studio_id uuid
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
    joined_at timestamp with time zone DEFAULT now(),
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
    stage_id uuid,
    CONSTRAINT photo_has_a_size CHECK (((width > 0) AND (height > 0)))
);
CREATE TABLE public.plan (
    studio_id uuid DEFAULT public.this_studio() NOT NULL,
    project_id uuid NOT NULL,
    id uuid NOT NULL,
    revision integer NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_of text,
    stretches jsonb NOT NULL,
    as_found jsonb
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
INSERT INTO drizzle.__drizzle_migrations VALUES (28, '6436ea8d342887a4b705d716da68b14b5df9f57c761dbfa2f5631bc1d70cc890', 1795825271085);
INSERT INTO drizzle.__drizzle_migrations VALUES (29, 'cca821b626ca037de213945461fecf12b11a880cde1591346e15ba0dfd1c8625', 1795830124008);
INSERT INTO drizzle.__drizzle_migrations VALUES (30, '6809daf73a7fd0300a7805f5416aa722de4b42c3f611083e2a91d3f5b9b8c8bb', 1795841826912);
INSERT INTO drizzle.__drizzle_migrations VALUES (31, '134f9adb09ef0346e95669335465086389a478dae2e6c8b29f339eb7a6b0ff32', 1795853250887);
INSERT INTO public.installation VALUES ('f65fbccb-7f9d-4405-970c-3674518f87d8');
INSERT INTO public.model VALUES ('01a20eed-e750-700a-b13d-24461f31ae8d', '01a20eed-f308-7990-bde4-a5916e1ff63a', 0, 'Pike 1', 'leader', 1.5, NULL, '{}', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.model VALUES ('01a20eed-eb38-7900-933c-b7b0ee4e77ed', '01a20eed-f308-7990-bde4-a5916e1ff63a', 1, 'Pike 2', 'trooper', 2.5, NULL, '{cloak,"hair 1"}', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.model VALUES ('01a20eed-ef20-7d87-a3ad-4345b7879397', '01a20eed-f308-7990-bde4-a5916e1ff63a', 2, 'Pike 3', 'trooper', 3.5, NULL, '{}', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.model VALUES ('01a20eee-02a8-7d31-98a0-32be123faef4', '01a20eed-fec0-7cec-a4cd-4ed47bd510d7', 0, 'Eel 1', '', 0, NULL, '{}', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-0a78-7581-8ecc-a7ed15cbd532', 118, '01a20eed-e368-7328-a996-d61e382fc477', 'clock-started', '2026-11-24 19:00:11+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, NULL, '2026-12-01 19:03:39.682069+00', NULL, NULL, '67ddbb90-cb35-48bf-ad57-7fd2b6f02e1d', 1, 'you', NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-0e60-794e-a1ab-dd3f916d39fd', 119, '01a20eed-e368-7328-a996-d61e382fc477', 'punched', '2026-11-24 19:00:12+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, NULL, '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, 600, 90, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-1248-7506-8693-3b2b130843e3', 120, '01a20eed-e368-7328-a996-d61e382fc477', 'clock-stopped', '2026-11-24 19:00:13+00', NULL, '01a20eee-0a78-7581-8ecc-a7ed15cbd532', NULL, '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-1630-75d3-82a3-ba6175d40ca3', 121, '01a20eed-e368-7328-a996-d61e382fc477', 'touch-up', '2026-11-24 19:00:14+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, 'a slip', '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'hood', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-1a18-7ba3-8e2a-b45ab7f9c5b5', 122, '01a20eed-e368-7328-a996-d61e382fc477', 'touch-up', '2026-11-24 19:00:15+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, '', '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-1e00-7e5f-9f98-bd904ef82676', 123, '01a20eed-e368-7328-a996-d61e382fc477', 'felt', '2026-11-24 19:00:16+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, NULL, '2026-12-01 19:03:39.682069+00', NULL, 'tacky', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-21e8-77a1-a370-cf38f42c3f0b', 124, '01a20eed-e368-7328-a996-d61e382fc477', 'milestone', '2026-11-24 19:00:17+00', NULL, NULL, NULL, '2026-12-01 19:03:39.682069+00', 700, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-25d0-73aa-b0aa-1afef37e7bc7', 125, '01a20eed-e368-7328-a996-d61e382fc477', 'judged', '2026-11-24 19:00:18+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, 'too pale', '2026-12-01 19:03:39.682069+00', NULL, 'another colour', NULL, NULL, NULL, NULL, NULL, NULL, '[{"parts": 2, "materialId": "01930000-0000-7000-8000-0000000000aa"}]', NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-29b8-7ac8-bf11-bc4b5e09dde5', 126, '01a20eed-e368-7328-a996-d61e382fc477', 'judged', '2026-11-24 19:00:19+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, '', '2026-12-01 19:03:39.682069+00', NULL, 'worth it', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-2da0-7293-abdf-5140403fd5e3', 127, '01a20eed-e368-7328-a996-d61e382fc477', 'used', '2026-11-24 19:00:20+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, 'ran out', '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, '[{"parts": 1, "materialId": "01930000-0000-7000-8000-0000000000aa"}]', NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-3188-7957-9e95-dd902d431990', 128, '01a20eed-e368-7328-a996-d61e382fc477', 'inspected', '2026-11-24 19:00:21+00', NULL, NULL, 'behind the shield', '2026-12-01 19:03:39.682069+00', NULL, 'left', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-3570-7fdf-b0b3-344042669d40', 129, '01a20eed-e368-7328-a996-d61e382fc477', 'lap-corrected', '2026-11-24 19:00:22+00', NULL, '01a20eee-0a78-7581-8ecc-a7ed15cbd532', 'telephone', '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-3958-743f-8c32-c6c42d304540', 130, '01a20eed-e368-7328-a996-d61e382fc477', 'cleared', '2026-11-24 19:00:23+00', '01a20eed-f6f0-7448-9337-bcbef3203b8e', NULL, NULL, '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event VALUES ('01a20eee-3d40-7b35-b07b-89706038b896', 131, '01a20eed-e368-7328-a996-d61e382fc477', 'undone', '2026-11-24 19:00:24+00', NULL, '01a20eee-3958-743f-8c32-c6c42d304540', NULL, '2026-12-01 19:03:39.682069+00', NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-25d0-73aa-b0aa-1afef37e7bc7', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-1a18-7ba3-8e2a-b45ab7f9c5b5', '01a20eed-eb38-7900-933c-b7b0ee4e77ed', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0a78-7581-8ecc-a7ed15cbd532', '01a20eed-eb38-7900-933c-b7b0ee4e77ed', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-1e00-7e5f-9f98-bd904ef82676', '01a20eed-ef20-7d87-a3ad-4345b7879397', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-1630-75d3-82a3-ba6175d40ca3', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-3958-743f-8c32-c6c42d304540', '01a20eed-ef20-7d87-a3ad-4345b7879397', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0e60-794e-a1ab-dd3f916d39fd', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-2da0-7293-abdf-5140403fd5e3', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0e60-794e-a1ab-dd3f916d39fd', '01a20eed-eb38-7900-933c-b7b0ee4e77ed', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-3188-7957-9e95-dd902d431990', '01a20eed-eb38-7900-933c-b7b0ee4e77ed', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0e60-794e-a1ab-dd3f916d39fd', '01a20eed-ef20-7d87-a3ad-4345b7879397', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0a78-7581-8ecc-a7ed15cbd532', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-21e8-77a1-a370-cf38f42c3f0b', '01a20eed-eb38-7900-933c-b7b0ee4e77ed', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-0a78-7581-8ecc-a7ed15cbd532', '01a20eed-ef20-7d87-a3ad-4345b7879397', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_model VALUES ('01a20eee-29b8-7ac8-bf11-bc4b5e09dde5', '01a20eed-e750-700a-b13d-24461f31ae8d', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_stage VALUES ('01a20eee-21e8-77a1-a370-cf38f42c3f0b', '01a20eed-f6f0-7448-9337-bcbef3203b8e', 1, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.progress_event_stage VALUES ('01a20eee-21e8-77a1-a370-cf38f42c3f0b', '01a20eed-fad8-7ba5-8b11-b6d5181b816b', 0, 300, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.project VALUES ('01a20eed-e368-7328-a996-d61e382fc477', 'Old lock', '2026-12-12', '{2,4}', '19:30', 9000, 'Europe/Berlin', 3, 2, 1, '2026-12-01 19:03:39.371189+00', NULL, NULL, '{"aims": ["date", "waiting"], "held": {"all": false, "stages": [], "batches": []}, "pins": [], "bores": {"unitSeconds": 5400, "stageSeconds": 1800}, "first": [], "batches": [], "holders": [], "handOver": null, "painters": [{"id": "you", "off": [], "name": "You", "pace": 1, "extra": [], "rules": [], "cannot": [], "dropped": []}], "teamwork": "free", "skipShare": 0.1, "airbrushes": 1, "rackPlaces": null, "sprayHours": null, "sprayPlaces": 1}', NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f', NULL);
INSERT INTO public.project_change VALUES ('01a20eee-0690-7160-91a1-47f7c987af2c', '01a20eed-e368-7328-a996-d61e382fc477', 1, '2026-11-24 19:30:00+00', '15f6c7fd-9128-4b16-bea5-1c8922f79e18', 1, NULL, '[{"id": "01a20eed-f308-7990-bde4-a5916e1ff63a", "in": null, "kind": "put", "after": "x", "thing": "unit", "value": {"id": "01a20eed-f308-7990-bde4-a5916e1ff63a", "name": "Reed-pikes", "size": "large foot", "pilot": ["01a20eed-e750-700a-b13d-24461f31ae8d"], "detail": "ornate", "models": [{"id": "01a20eed-e750-700a-b13d-24461f31ae8d", "name": "Pike 1", "role": "leader", "points": 1.5, "variants": []}, {"id": "01a20eed-eb38-7900-933c-b7b0ee4e77ed", "name": "Pike 2", "role": "trooper", "points": 2.5, "variants": ["cloak", "hair 1"]}, {"id": "01a20eed-ef20-7d87-a3ad-4345b7879397", "name": "Pike 3", "role": "trooper", "points": 3.5, "variants": []}], "joinedAt": null, "standard": "tabletop plus", "perHolder": 3}, "before": null}, {"id": "01a20eed-f6f0-7448-9337-bcbef3203b8e", "in": null, "kind": "put", "after": "x", "thing": "stage", "value": {"id": "01a20eed-f6f0-7448-9337-bcbef3203b8e", "name": "Prime", "note": "as said", "steps": [], "touch": {"kind": "whole"}, "typed": [], "limits": [], "cautions": ["spray"], "material": "prime", "technique": "base coat", "tableReady": false, "notNeededBy": [], "setUpSeconds": 120, "dryingMaxSeconds": 900, "dryingMinSeconds": 300, "nextWithinSeconds": null, "handsOnSecondsPerModel": 90}, "before": null}, {"id": "01a20eed-fad8-7ba5-8b11-b6d5181b816b", "in": null, "kind": "put", "after": "x", "thing": "stage", "value": {"id": "01a20eed-fad8-7ba5-8b11-b6d5181b816b", "name": "Coat", "note": "as said", "steps": [], "touch": {"kind": "regions", "regions": ["coat", "hood"]}, "typed": [{"unitId": "01a20eed-f308-7990-bde4-a5916e1ff63a", "bestSeconds": 60, "worstSeconds": 200, "likelySeconds": 90}], "limits": [{"roles": ["leader"], "unitId": "01a20eed-f308-7990-bde4-a5916e1ff63a"}], "cautions": [], "material": "coat", "technique": "base coat", "tableReady": true, "notNeededBy": [], "setUpSeconds": 120, "dryingMaxSeconds": 900, "dryingMinSeconds": 300, "nextWithinSeconds": 600, "handsOnSecondsPerModel": 90}, "before": null}, {"id": "01a20eed-fec0-7cec-a4cd-4ed47bd510d7", "in": null, "kind": "put", "after": "x", "thing": "unit", "value": {"id": "01a20eed-fec0-7cec-a4cd-4ed47bd510d7", "name": "Eels", "size": "foot", "pilot": [], "detail": "usual", "models": [{"id": "01a20eee-02a8-7d31-98a0-32be123faef4", "name": "Eel 1", "role": "", "points": 0, "variants": []}], "joinedAt": {"unitId": "01a20eed-f308-7990-bde4-a5916e1ff63a", "stageId": "01a20eed-f6f0-7448-9337-bcbef3203b8e"}, "standard": "tabletop", "perHolder": 1}, "before": null}]', '[{"kind": "done"}, {"kind": "done"}, {"kind": "done"}, {"kind": "done"}]', '[{"id": "01a20eed-fec0-7cec-a4cd-4ed47bd510d7", "in": null, "kind": "take", "thing": "unit"}, {"id": "01a20eed-fad8-7ba5-8b11-b6d5181b816b", "in": null, "kind": "take", "thing": "stage"}, {"id": "01a20eed-f6f0-7448-9337-bcbef3203b8e", "in": null, "kind": "take", "thing": "stage"}, {"id": "01a20eed-f308-7990-bde4-a5916e1ff63a", "in": null, "kind": "take", "thing": "unit"}]', '{unit:01a20eed-f308-7990-bde4-a5916e1ff63a,stage:01a20eed-f6f0-7448-9337-bcbef3203b8e,stage:01a20eed-fad8-7ba5-8b11-b6d5181b816b,unit:01a20eed-fec0-7cec-a4cd-4ed47bd510d7}', '2026-12-01 19:03:39.457834+00', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f', NULL);
INSERT INTO public.stage VALUES ('01a20eed-f6f0-7448-9337-bcbef3203b8e', '01a20eed-e368-7328-a996-d61e382fc477', 0, 'Prime', 'prime', 'whole', '{}', 90, 120, 300, 900, false, '{spray}', 'as said', NULL, '[]', '[]', 'base coat', '[]', NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.stage VALUES ('01a20eed-fad8-7ba5-8b11-b6d5181b816b', '01a20eed-e368-7328-a996-d61e382fc477', 1, 'Coat', 'coat', 'regions', '{coat,hood}', 90, 120, 300, 900, true, '{}', 'as said', NULL, '[]', '[{"roles": ["leader"], "unitId": "01a20eed-f308-7990-bde4-a5916e1ff63a"}]', 'base coat', '[{"unitId": "01a20eed-f308-7990-bde4-a5916e1ff63a", "bestSeconds": 60, "worstSeconds": 200, "likelySeconds": 90}]', 600, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.studio VALUES ('fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f', 'Own desk', '2026-12-01 19:03:36.877952+00', NULL);
INSERT INTO public.unit VALUES ('01a20eed-f308-7990-bde4-a5916e1ff63a', '01a20eed-e368-7328-a996-d61e382fc477', 0, 'Reed-pikes', NULL, 'tabletop plus', 'large foot', 'ornate', 3, '{01a20eed-e750-700a-b13d-24461f31ae8d}', NULL, NULL, 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
INSERT INTO public.unit VALUES ('01a20eed-fec0-7cec-a4cd-4ed47bd510d7', '01a20eed-e368-7328-a996-d61e382fc477', 1, 'Eels', NULL, 'tabletop', 'foot', 'usual', 1, '{}', '01a20eed-f308-7990-bde4-a5916e1ff63a', '01a20eed-f6f0-7448-9337-bcbef3203b8e', 'fc24d194-a3c7-46d6-a62b-d3d07ca1ec0f');
SELECT pg_catalog.setval('drizzle.__drizzle_migrations_id_seq', 31, true);
SELECT pg_catalog.setval('public.progress_event_sequence_seq', 131, true);
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
ALTER TABLE ONLY door.sign_in
    ADD CONSTRAINT sign_in_studio_id_studio_id_fk FOREIGN KEY (studio_id) REFERENCES public.studio(id) ON DELETE SET NULL;
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
