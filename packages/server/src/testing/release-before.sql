CREATE SCHEMA drizzle;
CREATE FUNCTION public.refuse_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  raise exception 'the progress log is append-only' using errcode = 'restrict_violation';
end
$$;
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
CREATE TABLE public.air_reading (
    at timestamp with time zone NOT NULL,
    celsius double precision NOT NULL,
    humidity double precision NOT NULL,
    source text NOT NULL,
    CONSTRAINT air_reading_possible CHECK ((((celsius >= ('-60'::integer)::double precision) AND (celsius <= (70)::double precision)) AND ((humidity >= (1)::double precision) AND (humidity <= (100)::double precision))))
);
CREATE TABLE public.brought_rate (
    technique text NOT NULL,
    size text NOT NULL,
    factor double precision NOT NULL,
    laps double precision NOT NULL,
    CONSTRAINT brought_rate_positive CHECK (((factor > (0)::double precision) AND (laps > (0)::double precision)))
);
CREATE TABLE public.material (
    id uuid NOT NULL,
    document jsonb NOT NULL,
    removed_at timestamp with time zone,
    CONSTRAINT material_document_is_its_own CHECK (((document ->> 'id'::text) = (id)::text))
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
    CONSTRAINT model_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT model_points_not_negative CHECK ((points >= (0)::double precision))
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
    CONSTRAINT progress_event_shape CHECK (
CASE
    WHEN (kind = ANY (ARRAY['punched'::text, 'cleared'::text, 'touch-up'::text, 'clock-started'::text])) THEN ((stage_id IS NOT NULL) AND (target_id IS NULL))
    WHEN (kind = 'judged'::text) THEN ((stage_id IS NOT NULL) AND (target_id IS NULL) AND (verdict IS NOT NULL))
    WHEN (kind = 'milestone'::text) THEN ((stage_id IS NULL) AND (target_id IS NULL) AND (work_seconds > 0))
    WHEN (kind = ANY (ARRAY['clock-stopped'::text, 'lap-corrected'::text, 'undone'::text])) THEN ((stage_id IS NULL) AND (target_id IS NOT NULL))
    ELSE false
END),
    CONSTRAINT progress_event_work_positive CHECK ((work_seconds > 0))
);
CREATE TABLE public.progress_event_model (
    event_id uuid NOT NULL,
    model_id uuid NOT NULL
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
    "position" integer NOT NULL
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
    CONSTRAINT project_batch_size_positive CHECK ((batch_size >= 1)),
    CONSTRAINT project_evening_positive CHECK ((evening_seconds > 0)),
    CONSTRAINT project_first_batch_positive CHECK ((first_batch >= 1)),
    CONSTRAINT project_in_hand_positive CHECK ((batches_in_hand >= 1)),
    CONSTRAINT project_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT project_starts_at_clock CHECK ((starts_at ~ '^([01][0-9]|2[0-3]):[0-5][0-9]$'::text)),
    CONSTRAINT project_weekdays_known CHECK (((weekdays <@ ARRAY[(1)::smallint, (2)::smallint, (3)::smallint, (4)::smallint, (5)::smallint, (6)::smallint, (7)::smallint]) AND (cardinality(weekdays) > 0)))
);
CREATE TABLE public.recipe (
    id uuid NOT NULL,
    project_id uuid NOT NULL,
    "position" integer NOT NULL,
    document jsonb NOT NULL,
    removed_at timestamp with time zone,
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
    CONSTRAINT stage_drying_in_order CHECK ((drying_max_seconds >= drying_min_seconds)),
    CONSTRAINT stage_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT stage_next_within_not_negative CHECK ((next_within_seconds >= 0)),
    CONSTRAINT stage_regions_named CHECK (((touch_kind = 'regions'::text) = (cardinality(regions) > 0))),
    CONSTRAINT stage_times_not_negative CHECK ((LEAST(hands_on_seconds_per_model, set_up_seconds, drying_min_seconds) >= 0)),
    CONSTRAINT stage_touch_known CHECK ((touch_kind = ANY (ARRAY['whole'::text, 'regions'::text, 'base'::text])))
);
CREATE TABLE public.stage_exemption (
    stage_id uuid NOT NULL,
    unit_id uuid NOT NULL
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
    CONSTRAINT unit_detail_known CHECK ((detail = ANY (ARRAY['plain'::text, 'usual'::text, 'ornate'::text]))),
    CONSTRAINT unit_holder_positive CHECK ((per_holder >= 1)),
    CONSTRAINT unit_joined_to_another CHECK ((joined_to_unit <> id)),
    CONSTRAINT unit_joined_whole CHECK (((joined_to_unit IS NULL) = (joined_at_stage IS NULL))),
    CONSTRAINT unit_name_given CHECK ((length(TRIM(BOTH FROM name)) > 0)),
    CONSTRAINT unit_size_known CHECK ((size = ANY (ARRAY['small'::text, 'foot'::text, 'large foot'::text, 'mounted'::text, 'large'::text, 'huge'::text]))),
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
INSERT INTO public.air_reading VALUES ('2026-11-26 04:09:04.107+00', 20, 50, 'typed');
INSERT INTO public.brought_rate VALUES ('wash', 'foot', 1.2, 4);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000001', '{"id": "01930000-0000-7000-8001-000000000001", "kind": "primer", "name": "black primer, spray", "potMl": 400, "colour": "#1e1f20", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000002', '{"id": "01930000-0000-7000-8001-000000000002", "kind": "primer", "name": "grey primer, spray", "potMl": 400, "colour": "#8b8f90", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000003', '{"id": "01930000-0000-7000-8001-000000000003", "kind": "primer", "name": "ivory primer, spray", "potMl": 400, "colour": "#e9e2cf", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000004', '{"id": "01930000-0000-7000-8001-000000000004", "kind": "primer", "name": "pale bone primer, spray", "potMl": 400, "colour": "#ddd0ac", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000005', '{"id": "01930000-0000-7000-8001-000000000005", "kind": "primer", "name": "leather brown primer, spray", "potMl": 400, "colour": "#6b4a30", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000006', '{"id": "01930000-0000-7000-8001-000000000006", "kind": "primer", "name": "moss green primer, spray", "potMl": 400, "colour": "#55693f", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000007', '{"id": "01930000-0000-7000-8001-000000000007", "kind": "primer", "name": "river blue primer, spray", "potMl": 400, "colour": "#3b5b78", "carrier": "spirit", "opacity": 0.95, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000008', '{"id": "01930000-0000-7000-8001-000000000008", "kind": "opaque", "name": "soot black", "potMl": 17, "colour": "#23242a", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000009', '{"id": "01930000-0000-7000-8001-000000000009", "kind": "opaque", "name": "chalk white", "potMl": 17, "colour": "#f2f0e8", "carrier": "water", "opacity": 0.55, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000010', '{"id": "01930000-0000-7000-8001-000000000010", "kind": "opaque", "name": "dark bone", "potMl": 17, "colour": "#a8946a", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000011', '{"id": "01930000-0000-7000-8001-000000000011", "kind": "opaque", "name": "pale bone", "potMl": 17, "colour": "#ddd0ac", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000012', '{"id": "01930000-0000-7000-8001-000000000012", "kind": "opaque", "name": "warm flesh", "potMl": 17, "colour": "#c98e68", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000013', '{"id": "01930000-0000-7000-8001-000000000013", "kind": "opaque", "name": "light flesh", "potMl": 17, "colour": "#e2b594", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000014', '{"id": "01930000-0000-7000-8001-000000000014", "kind": "opaque", "name": "deep flesh", "potMl": 17, "colour": "#7d4a34", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000015', '{"id": "01930000-0000-7000-8001-000000000015", "kind": "opaque", "name": "moss green", "potMl": 17, "colour": "#5f7b46", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000016', '{"id": "01930000-0000-7000-8001-000000000016", "kind": "opaque", "name": "light moss", "potMl": 17, "colour": "#94a577", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000017', '{"id": "01930000-0000-7000-8001-000000000017", "kind": "opaque", "name": "deep moss", "potMl": 17, "colour": "#38492c", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000018', '{"id": "01930000-0000-7000-8001-000000000018", "kind": "opaque", "name": "reed grey", "potMl": 17, "colour": "#8a8a78", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000019', '{"id": "01930000-0000-7000-8001-000000000019", "kind": "opaque", "name": "light reed", "potMl": 17, "colour": "#b3af9b", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000020', '{"id": "01930000-0000-7000-8001-000000000020", "kind": "opaque", "name": "slate grey", "potMl": 17, "colour": "#50565c", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000021', '{"id": "01930000-0000-7000-8001-000000000021", "kind": "opaque", "name": "river blue", "potMl": 17, "colour": "#3f6688", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000022', '{"id": "01930000-0000-7000-8001-000000000022", "kind": "opaque", "name": "light river", "potMl": 17, "colour": "#7fa3bd", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000023', '{"id": "01930000-0000-7000-8001-000000000023", "kind": "opaque", "name": "rust red", "potMl": 17, "colour": "#8e3a28", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000024', '{"id": "01930000-0000-7000-8001-000000000024", "kind": "opaque", "name": "bright red", "potMl": 17, "colour": "#b8281f", "carrier": "water", "opacity": 0.5, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000025', '{"id": "01930000-0000-7000-8001-000000000025", "kind": "opaque", "name": "lantern yellow", "potMl": 17, "colour": "#dcae3a", "carrier": "water", "opacity": 0.45, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000026', '{"id": "01930000-0000-7000-8001-000000000026", "kind": "opaque", "name": "peat brown", "potMl": 17, "colour": "#5a4030", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000027', '{"id": "01930000-0000-7000-8001-000000000027", "kind": "opaque", "name": "saddle brown", "potMl": 17, "colour": "#7b5634", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000028', '{"id": "01930000-0000-7000-8001-000000000028", "kind": "opaque", "name": "light leather", "potMl": 17, "colour": "#a87f54", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000029', '{"id": "01930000-0000-7000-8001-000000000029", "kind": "opaque", "name": "dark peat", "potMl": 17, "colour": "#3b2e28", "carrier": "water", "opacity": 0.85, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000030', '{"id": "01930000-0000-7000-8001-000000000030", "kind": "translucent", "name": "warm flesh translucent", "potMl": 18, "colour": "#c98a62", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000031', '{"id": "01930000-0000-7000-8001-000000000031", "kind": "translucent", "name": "moss translucent", "potMl": 18, "colour": "#5f7b46", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000032', '{"id": "01930000-0000-7000-8001-000000000032", "kind": "translucent", "name": "reed grey translucent", "potMl": 18, "colour": "#8a8a78", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000033', '{"id": "01930000-0000-7000-8001-000000000033", "kind": "translucent", "name": "peat brown translucent", "potMl": 18, "colour": "#6b4a30", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000034', '{"id": "01930000-0000-7000-8001-000000000034", "kind": "translucent", "name": "saddle translucent", "potMl": 18, "colour": "#8b6138", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000035', '{"id": "01930000-0000-7000-8001-000000000035", "kind": "translucent", "name": "river blue translucent", "potMl": 18, "colour": "#3f6688", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000036', '{"id": "01930000-0000-7000-8001-000000000036", "kind": "translucent", "name": "rust translucent", "potMl": 18, "colour": "#94432c", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000037', '{"id": "01930000-0000-7000-8001-000000000037", "kind": "translucent", "name": "hide ochre translucent", "potMl": 18, "colour": "#b08a4a", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000038', '{"id": "01930000-0000-7000-8001-000000000038", "kind": "translucent", "name": "lifting teal translucent", "potMl": 18, "colour": "#2f7672", "carrier": "water", "opacity": 0.25, "stockMl": 0, "coverage": 80, "reactivates": true, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000039', '{"id": "01930000-0000-7000-8001-000000000039", "kind": "wash", "name": "dark sepia wash", "potMl": 18, "colour": "#3d2c22", "carrier": "water", "opacity": 0.15, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000040', '{"id": "01930000-0000-7000-8001-000000000040", "kind": "wash", "name": "soot wash", "potMl": 18, "colour": "#25262b", "carrier": "water", "opacity": 0.15, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000041', '{"id": "01930000-0000-7000-8001-000000000041", "kind": "wash", "name": "flesh wash", "potMl": 18, "colour": "#7c4630", "carrier": "water", "opacity": 0.15, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000042', '{"id": "01930000-0000-7000-8001-000000000042", "kind": "wash", "name": "silt brown wash", "potMl": 18, "colour": "#5b4a38", "carrier": "water", "opacity": 0.15, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000043', '{"id": "01930000-0000-7000-8001-000000000043", "kind": "metallic", "name": "dark iron", "potMl": 17, "colour": "#4c4e52", "carrier": "water", "opacity": 0.8, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000044', '{"id": "01930000-0000-7000-8001-000000000044", "kind": "metallic", "name": "bright steel", "potMl": 17, "colour": "#aab1b6", "carrier": "water", "opacity": 0.8, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000045', '{"id": "01930000-0000-7000-8001-000000000045", "kind": "metallic", "name": "old brass", "potMl": 17, "colour": "#9a7b3f", "carrier": "water", "opacity": 0.65, "stockMl": 0, "coverage": 90, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 180}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000046', '{"id": "01930000-0000-7000-8001-000000000046", "kind": "ink", "name": "red ink", "potMl": 18, "colour": "#9b1c20", "carrier": "water", "opacity": 0.3, "stockMl": 0, "coverage": 120, "reactivates": false, "dryingMaxSeconds": 900, "dryingMinSeconds": 300}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000047', '{"id": "01930000-0000-7000-8001-000000000047", "kind": "oil", "name": "umber oil", "potMl": 20, "colour": "#4b3626", "carrier": "spirit", "opacity": 0.2, "stockMl": 0, "coverage": 150, "reactivates": false, "dryingMaxSeconds": 86400, "dryingMinSeconds": 28800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000048', '{"id": "01930000-0000-7000-8001-000000000048", "kind": "oil", "name": "lamp black oil", "potMl": 20, "colour": "#232021", "carrier": "spirit", "opacity": 0.2, "stockMl": 0, "coverage": 150, "reactivates": false, "dryingMaxSeconds": 86400, "dryingMinSeconds": 28800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000049', '{"id": "01930000-0000-7000-8001-000000000049", "kind": "dip", "name": "walnut dip", "potMl": 250, "colour": "#4a3222", "carrier": "spirit", "opacity": 0.2, "stockMl": 0, "coverage": 50, "reactivates": false, "dryingMaxSeconds": 216000, "dryingMinSeconds": 129600}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000050', '{"id": "01930000-0000-7000-8001-000000000050", "kind": "gloss varnish", "name": "gloss varnish, spray", "potMl": 400, "colour": "#ffffff", "carrier": "spirit", "opacity": 0, "stockMl": 0, "coverage": 70, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000051', '{"id": "01930000-0000-7000-8001-000000000051", "kind": "satin varnish", "name": "satin varnish, spray", "potMl": 400, "colour": "#ffffff", "carrier": "spirit", "opacity": 0, "stockMl": 0, "coverage": 70, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000052', '{"id": "01930000-0000-7000-8001-000000000052", "kind": "matt varnish", "name": "matt varnish, spray", "potMl": 400, "colour": "#ffffff", "carrier": "spirit", "opacity": 0, "stockMl": 0, "coverage": 70, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000053', '{"id": "01930000-0000-7000-8001-000000000053", "kind": "gloss varnish", "name": "brush-on gloss", "potMl": 60, "colour": "#ffffff", "carrier": "water", "opacity": 0, "stockMl": 0, "coverage": 70, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1200}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000054', '{"id": "01930000-0000-7000-8001-000000000054", "kind": "texture paste", "name": "river mud paste", "potMl": 100, "colour": "#6b5a44", "carrier": "water", "opacity": 1, "stockMl": 0, "coverage": 8, "reactivates": false, "dryingMaxSeconds": 14400, "dryingMinSeconds": 3600}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000055', '{"id": "01930000-0000-7000-8001-000000000055", "kind": "glue", "name": "white glue", "potMl": 100, "colour": "#f4f2ea", "carrier": "water", "opacity": 0, "stockMl": 0, "coverage": 40, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000056', '{"id": "01930000-0000-7000-8001-000000000056", "kind": "grit", "name": "river grit", "potMl": 250, "colour": "#8b7a60", "carrier": "dry", "opacity": 1, "stockMl": 0, "coverage": 10, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000057', '{"id": "01930000-0000-7000-8001-000000000057", "kind": "flock", "name": "marsh flock", "potMl": 180, "colour": "#6d7a3c", "carrier": "dry", "opacity": 1, "stockMl": 0, "coverage": 10, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000058', '{"id": "01930000-0000-7000-8001-000000000058", "kind": "tuft", "name": "reed tuft", "potMl": 0, "colour": "#98924e", "carrier": "dry", "opacity": 1, "stockMl": 0, "coverage": 0, "reactivates": false, "dryingMaxSeconds": 900, "dryingMinSeconds": 300}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000059', '{"id": "01930000-0000-7000-8001-000000000059", "kind": "pigment", "name": "dried mud powder", "potMl": 35, "colour": "#8c7351", "carrier": "dry", "opacity": 0.6, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 0, "dryingMinSeconds": 0}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000060', '{"id": "01930000-0000-7000-8001-000000000060", "kind": "medium", "name": "translucent medium", "potMl": 60, "colour": "#ffffff", "carrier": "water", "opacity": 0, "stockMl": 0, "coverage": 100, "reactivates": false, "dryingMaxSeconds": 900, "dryingMinSeconds": 300}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000061', '{"id": "01930000-0000-7000-8001-000000000061", "kind": "thinner", "name": "white spirit", "potMl": 500, "colour": "#ffffff", "carrier": "spirit", "opacity": 0, "stockMl": 0, "coverage": 150, "reactivates": false, "dryingMaxSeconds": 3600, "dryingMinSeconds": 1800}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000062', '{"id": "01930000-0000-7000-8001-000000000062", "kind": "mask", "name": "mask fluid", "potMl": 60, "colour": "#d8c44a", "carrier": "water", "opacity": 1, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 1200, "dryingMinSeconds": 600}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000063', '{"id": "01930000-0000-7000-8001-000000000063", "kind": "decal", "name": "delta heron decal", "potMl": 0, "colour": "#e8e4d8", "carrier": "water", "opacity": 1, "stockMl": 0, "coverage": 0, "reactivates": false, "dryingMaxSeconds": 1800, "dryingMinSeconds": 900}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000064', '{"id": "01930000-0000-7000-8001-000000000064", "kind": "effect", "name": "wet gloss gel", "potMl": 20, "colour": "#dfe8ea", "carrier": "water", "opacity": 0.4, "stockMl": 0, "coverage": 60, "reactivates": false, "dryingMaxSeconds": 7200, "dryingMinSeconds": 3600}', NULL);
INSERT INTO public.material VALUES ('01930000-0000-7000-8001-000000000065', '{"id": "01930000-0000-7000-8001-000000000065", "kind": "glue", "name": "super glue", "potMl": 20, "colour": "#f6f6f2", "carrier": "dry", "opacity": 0, "stockMl": 0, "coverage": 40, "reactivates": false, "dryingMaxSeconds": 600, "dryingMinSeconds": 120}', NULL);
INSERT INTO public.model VALUES ('01a2160a-e988-71f3-9507-64c7621712cf', '01a2160a-e988-7204-ae41-565332422752', 0, 'Reed-pikes 1', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-7068-a974-e70b7500cb6b', '01a2160a-e988-7204-ae41-565332422752', 1, 'Reed-pikes 2', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-7d7a-b18c-d0f5542c9358', '01a2160a-e988-7204-ae41-565332422752', 2, 'Reed-pikes 3', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-716a-a1a2-2f04cb1e2e6f', '01a2160a-e988-7204-ae41-565332422752', 3, 'Reed-pikes 4', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-7d8f-9912-dc0d7a65eccb', '01a2160a-e988-7204-ae41-565332422752', 4, 'Reed-pikes 5', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e989-7b05-ab62-a3cfc9b3a3e2', '01a2160a-e989-75f6-84ab-11fda7e8e042', 0, 'Gone 1', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-7d45-93b0-6df689b87ec5', '01a2160a-e988-777b-b41d-1f948d919af7', 0, 'Eel-netters 1', 'trooper', 5, NULL, '{}');
INSERT INTO public.model VALUES ('01a2160a-e988-7ceb-9726-ee4c0cb18d2e', '01a2160a-e988-777b-b41d-1f948d919af7', 1, 'Eel-netters 2', 'trooper', 5, NULL, '{}');
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', 1, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'clock-started', '2026-11-24 19:00:00+00', '01a2160a-e9f1-7715-990e-c1a07a5dbbb2', NULL, NULL, '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-797d-9003-a3cb00fa72bd', 2, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'punched', '2026-11-24 19:05:00+00', '01a2160a-e9f1-7715-990e-c1a07a5dbbb2', NULL, NULL, '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-7f6e-8b57-b378905fdc6f', 3, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'clock-stopped', '2026-11-24 19:06:00+00', NULL, '01a2160a-eabd-7f3a-8789-154d25309aac', NULL, '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-7057-96af-f73ecec7ae9f', 4, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'touch-up', '2026-11-24 19:07:00+00', '01a2160a-e9f1-7715-990e-c1a07a5dbbb2', NULL, 'drip', '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-778f-9f62-7df074fd2dfc', 5, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'milestone', '2026-11-24 19:08:00+00', NULL, NULL, NULL, '2026-11-26 04:09:03.959038+00', 1800, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-7d65-8ec7-f7a7fa759d0e', 6, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'judged', '2026-11-24 19:09:00+00', '01a2160a-e9f1-7715-990e-c1a07a5dbbb2', NULL, '', '2026-11-26 04:09:03.959038+00', NULL, 'worth it');
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-700b-9975-983b7053bd22', 7, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'lap-corrected', '2026-11-24 19:10:00+00', NULL, '01a2160a-eabd-7f3a-8789-154d25309aac', 'telephone', '2026-11-26 04:09:03.959038+00', 240, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-7cae-9150-458c08d2e5b0', 8, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'punched', '2026-11-24 19:11:00+00', '01a2160a-e9f1-7cad-8d4c-7c624a5a0065', NULL, NULL, '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event VALUES ('01a2160a-eabd-77c5-ad3c-e5b848bf22de', 9, '01a2160a-e901-74e2-89b2-6e9aafadc07e', 'undone', '2026-11-24 19:04:00+00', NULL, '01a2160a-eabd-7cae-9150-458c08d2e5b0', NULL, '2026-11-26 04:09:03.959038+00', NULL, NULL);
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', '01a2160a-e988-71f3-9507-64c7621712cf');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', '01a2160a-e988-7068-a974-e70b7500cb6b');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', '01a2160a-e988-7d7a-b18c-d0f5542c9358');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', '01a2160a-e988-716a-a1a2-2f04cb1e2e6f');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7f3a-8789-154d25309aac', '01a2160a-e988-7d8f-9912-dc0d7a65eccb');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-797d-9003-a3cb00fa72bd', '01a2160a-e988-71f3-9507-64c7621712cf');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-797d-9003-a3cb00fa72bd', '01a2160a-e988-7068-a974-e70b7500cb6b');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-797d-9003-a3cb00fa72bd', '01a2160a-e988-7d7a-b18c-d0f5542c9358');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7057-96af-f73ecec7ae9f', '01a2160a-e988-71f3-9507-64c7621712cf');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-778f-9f62-7df074fd2dfc', '01a2160a-e988-716a-a1a2-2f04cb1e2e6f');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-778f-9f62-7df074fd2dfc', '01a2160a-e988-7d8f-9912-dc0d7a65eccb');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7d65-8ec7-f7a7fa759d0e', '01a2160a-e988-71f3-9507-64c7621712cf');
INSERT INTO public.progress_event_model VALUES ('01a2160a-eabd-7cae-9150-458c08d2e5b0', '01a2160a-e988-71f3-9507-64c7621712cf');
INSERT INTO public.progress_event_stage VALUES ('01a2160a-eabd-778f-9f62-7df074fd2dfc', '01a2160a-e9f1-7c18-a5b4-a796e67cf643', 0);
INSERT INTO public.progress_event_stage VALUES ('01a2160a-eabd-778f-9f62-7df074fd2dfc', '01a2160a-e9f1-7715-990e-c1a07a5dbbb2', 1);
INSERT INTO public.project VALUES ('01930000-0000-7000-8000-000000000047', 'Tallow Fen militia', '2026-12-21', '{2,4,7}', '19:30', 9000, 'UTC', 6, 4, 0, '2026-11-26 04:09:02.825587+00', NULL, NULL, '{"aims": ["date"], "pins": [], "first": [], "painters": [{"id": "you", "off": [{"from": "2026-12-26", "until": "2026-12-28"}], "name": "You", "pace": 1, "extra": [], "rules": [], "cannot": [], "dropped": []}], "teamwork": "free", "skipShare": 0.1, "airbrushes": 1, "rackPlaces": null, "sprayHours": null, "sprayPlaces": 1}');
INSERT INTO public.project VALUES ('01a2160a-e901-74e2-89b2-6e9aafadc07e', 'Old weir', '2026-12-12', '{2,4}', '19:30', 9000, 'Europe/Berlin', 2, 3, 9, '2026-11-26 04:09:03.58304+00', NULL, NULL, '{"aims": ["date"], "pins": [{"at": "19:30", "on": "2026-11-26", "batchId": "01a2160a-e988-7204-ae41-565332422752/2", "stageId": "01a2160a-e9f1-7c18-a5b4-a796e67cf643"}], "first": ["01a2160a-e988-777b-b41d-1f948d919af7/1", "01a2160a-e988-7204-ae41-565332422752/3"], "painters": [{"id": "you", "off": [], "name": "You", "pace": 1, "extra": [], "rules": [], "cannot": [], "dropped": []}, {"id": "marn", "off": [], "name": "Marn", "pace": 1, "extra": [], "rules": [], "cannot": [], "dropped": []}], "teamwork": "free", "skipShare": 0.1, "airbrushes": 1, "rackPlaces": null, "sprayHours": null, "sprayPlaces": 1}');
INSERT INTO public.recipe VALUES ('01a2160a-ea8f-7c2b-b961-600eaa447cb6', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 0, '{"id": "01a2160a-ea8f-7c2b-b961-600eaa447cb6", "name": "Pikes", "steps": [{"id": "01a2160a-ea8f-7a50-84b7-7680bcbb067f", "on": ["skin"], "mix": [{"parts": 1, "materialId": "01930000-0000-7000-8001-000000000001"}], "note": "", "coats": 1, "roles": [], "spray": null, "standard": "tabletop", "wetGroup": null, "technique": "base coat", "otherModes": [], "substitutes": [], "dryingSeconds": null}], "school": "", "regions": [{"bare": false, "name": "skin", "apart": "", "depth": 0, "parts": 1, "finish": "skin", "areaShare": 0.5, "neighbours": []}], "unitIds": ["01a2160a-e988-7204-ae41-565332422752", "01a2160a-e989-75f6-84ab-11fda7e8e042"], "bodyPlan": "", "silenced": [], "versions": [], "preferences": {"base": "first", "careful": true, "mainColour": "first", "lightBeforeDark": true}}', NULL);
INSERT INTO public.stage VALUES ('01a2160a-e9f1-7cad-8d4c-7c624a5a0065', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 2, 'Lost', 'lost', 'whole', '{}', 60, 60, 600, 1201, false, '{}', '', '2026-11-26 04:09:04.094+00', '[]', '[]', NULL, '[]', NULL);
INSERT INTO public.stage VALUES ('01a2160a-e9f1-7715-990e-c1a07a5dbbb2', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 0, 'Prime', 'prime', 'whole', '{}', 60, 60, 600, 1201, false, '{}', '', NULL, '[]', '[]', NULL, '[]', NULL);
INSERT INTO public.stage VALUES ('01a2160a-e9f1-7c18-a5b4-a796e67cf643', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 1, 'Coat', 'coat', 'whole', '{}', 60, 60, 600, 1201, false, '{}', '', NULL, '[]', '[]', NULL, '[]', NULL);
INSERT INTO public.stage_exemption VALUES ('01a2160a-e9f1-7c18-a5b4-a796e67cf643', '01a2160a-e988-777b-b41d-1f948d919af7');
INSERT INTO public.unit VALUES ('01a2160a-e988-7204-ae41-565332422752', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 0, 'Reed-pikes', NULL, 'display', 'foot', 'usual', 1, '{}', NULL, NULL);
INSERT INTO public.unit VALUES ('01a2160a-e988-777b-b41d-1f948d919af7', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 1, 'Eel-netters', NULL, 'display', 'foot', 'usual', 1, '{}', '01a2160a-e988-7204-ae41-565332422752', '01a2160a-e9f1-7cad-8d4c-7c624a5a0065');
INSERT INTO public.unit VALUES ('01a2160a-e989-75f6-84ab-11fda7e8e042', '01a2160a-e901-74e2-89b2-6e9aafadc07e', 2, 'Gone', '2026-11-26 04:09:04.056+00', 'display', 'foot', 'usual', 1, '{}', NULL, NULL);
select pg_catalog.setval('drizzle.__drizzle_migrations_id_seq', 6, true);
select pg_catalog.setval('public.progress_event_sequence_seq', 9, true);
ALTER TABLE ONLY drizzle.__drizzle_migrations
    ADD CONSTRAINT __drizzle_migrations_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.air_reading
    ADD CONSTRAINT air_reading_pkey PRIMARY KEY (at);
ALTER TABLE ONLY public.brought_rate
    ADD CONSTRAINT brought_rate_technique_size_pk PRIMARY KEY (technique, size);
ALTER TABLE ONLY public.material
    ADD CONSTRAINT material_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.model
    ADD CONSTRAINT model_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_event_id_model_id_pk PRIMARY KEY (event_id, model_id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_event_id_stage_id_pk PRIMARY KEY (event_id, stage_id);
ALTER TABLE ONLY public.project
    ADD CONSTRAINT project_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.recipe
    ADD CONSTRAINT recipe_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_stage_id_unit_id_pk PRIMARY KEY (stage_id, unit_id);
ALTER TABLE ONLY public.stage
    ADD CONSTRAINT stage_pkey PRIMARY KEY (id);
ALTER TABLE ONLY public.unit
    ADD CONSTRAINT unit_pkey PRIMARY KEY (id);
CREATE UNIQUE INDEX material_name_once ON public.material USING btree (lower((document ->> 'name'::text))) WHERE (removed_at IS NULL);
CREATE INDEX model_by_unit ON public.model USING btree (unit_id, "position");
CREATE INDEX progress_event_by_project ON public.progress_event USING btree (project_id, sequence);
CREATE INDEX recipe_by_project ON public.recipe USING btree (project_id, "position");
CREATE INDEX stage_by_project ON public.stage USING btree (project_id, "position");
CREATE INDEX unit_by_project ON public.unit USING btree (project_id, "position");
CREATE TRIGGER progress_event_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
CREATE TRIGGER progress_event_model_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event_model FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
CREATE TRIGGER progress_event_stage_append_only BEFORE DELETE OR UPDATE OR TRUNCATE ON public.progress_event_stage FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();
ALTER TABLE ONLY public.model
    ADD CONSTRAINT model_unit_id_unit_id_fk FOREIGN KEY (unit_id) REFERENCES public.unit(id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_event_id_progress_event_id_fk FOREIGN KEY (event_id) REFERENCES public.progress_event(id);
ALTER TABLE ONLY public.progress_event_model
    ADD CONSTRAINT progress_event_model_model_id_model_id_fk FOREIGN KEY (model_id) REFERENCES public.model(id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_project_id_project_id_fk FOREIGN KEY (project_id) REFERENCES public.project(id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_event_id_progress_event_id_fk FOREIGN KEY (event_id) REFERENCES public.progress_event(id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_stage_id_stage_id_fk FOREIGN KEY (stage_id) REFERENCES public.stage(id);
ALTER TABLE ONLY public.progress_event_stage
    ADD CONSTRAINT progress_event_stage_stage_id_stage_id_fk FOREIGN KEY (stage_id) REFERENCES public.stage(id);
ALTER TABLE ONLY public.progress_event
    ADD CONSTRAINT progress_event_target FOREIGN KEY (target_id) REFERENCES public.progress_event(id);
ALTER TABLE ONLY public.recipe
    ADD CONSTRAINT recipe_project_id_project_id_fk FOREIGN KEY (project_id) REFERENCES public.project(id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_stage_id_stage_id_fk FOREIGN KEY (stage_id) REFERENCES public.stage(id);
ALTER TABLE ONLY public.stage_exemption
    ADD CONSTRAINT stage_exemption_unit_id_unit_id_fk FOREIGN KEY (unit_id) REFERENCES public.unit(id);
ALTER TABLE ONLY public.stage
    ADD CONSTRAINT stage_project_id_project_id_fk FOREIGN KEY (project_id) REFERENCES public.project(id);
ALTER TABLE ONLY public.unit
    ADD CONSTRAINT unit_project_id_project_id_fk FOREIGN KEY (project_id) REFERENCES public.project(id);
