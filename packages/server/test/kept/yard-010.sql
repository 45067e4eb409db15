--
-- PostgreSQL database dump
--



SET statement_timeout = 0;
SET lock_timeout = 0;
SET idle_in_transaction_session_timeout = 0;
SET client_encoding = 'UTF8';
SET standard_conforming_strings = on;
SELECT pg_catalog.set_config('search_path', '', false);
SET check_function_bodies = false;
SET xmloption = content;
SET client_min_messages = warning;
SET row_security = off;

--
-- Name: refuse_change(); Type: FUNCTION; Schema: public; Owner: -
--

CREATE FUNCTION public.refuse_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
BEGIN
  RAISE EXCEPTION 'life events are added, never edited or removed' USING ERRCODE = 'restrict_violation';
END $$;


SET default_tablespace = '';

SET default_table_access_method = heap;

--
-- Name: angle_readings; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.angle_readings (
    id bigint NOT NULL,
    boat_id text NOT NULL,
    role text NOT NULL,
    station text DEFAULT ''::text NOT NULL,
    side text,
    axis text,
    lean_deg double precision,
    after_count integer,
    degrees double precision NOT NULL,
    instrument text DEFAULT ''::text NOT NULL,
    who text NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    CONSTRAINT angle_readings_after_count_check CHECK ((after_count >= 0)),
    CONSTRAINT angle_readings_axis_check CHECK ((axis = ANY (ARRAY['across'::text, 'along'::text]))),
    CONSTRAINT angle_readings_check CHECK (((role <> 'station'::text) OR ((length(TRIM(BOTH FROM station)) > 0) AND (side IS NOT NULL) AND (axis IS NOT NULL) AND (lean_deg IS NOT NULL)))),
    CONSTRAINT angle_readings_check1 CHECK (((role <> 'recheck'::text) OR (after_count IS NOT NULL))),
    CONSTRAINT angle_readings_degrees_check CHECK (((degrees >= ('-90'::integer)::double precision) AND (degrees <= (90)::double precision))),
    CONSTRAINT angle_readings_role_check CHECK ((role = ANY (ARRAY['reference'::text, 'trim'::text, 'station'::text, 'recheck'::text]))),
    CONSTRAINT angle_readings_side_check CHECK ((side = ANY (ARRAY['port'::text, 'starboard'::text])))
);


--
-- Name: angle_readings_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.angle_readings_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: angle_readings_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.angle_readings_id_seq OWNED BY public.angle_readings.id;


--
-- Name: boats; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.boats (
    id text NOT NULL,
    name text NOT NULL,
    kind text NOT NULL,
    length_mm double precision NOT NULL,
    beam_mm double precision NOT NULL,
    displacement_kg double precision NOT NULL,
    duty text NOT NULL,
    units text NOT NULL,
    hull_material text NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    is_main boolean DEFAULT false NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    hull_kind text DEFAULT 'laminate'::text NOT NULL,
    CONSTRAINT boats_beam_mm_check CHECK ((beam_mm > (0)::double precision)),
    CONSTRAINT boats_displacement_kg_check CHECK ((displacement_kg > (0)::double precision)),
    CONSTRAINT boats_duty_check CHECK ((duty = ANY (ARRAY['sheltered'::text, 'coastal'::text, 'ocean'::text]))),
    CONSTRAINT boats_hull_kind_check CHECK ((hull_kind = ANY (ARRAY['laminate'::text, 'cored'::text, 'plywood'::text, 'aluminium'::text, 'steel'::text, 'timber'::text]))),
    CONSTRAINT boats_length_mm_check CHECK ((length_mm > (0)::double precision)),
    CONSTRAINT boats_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT boats_units_check CHECK ((units = ANY (ARRAY['metric'::text, 'inch'::text])))
);


--
-- Name: fittings; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.fittings (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    boat_id text NOT NULL,
    name text NOT NULL,
    design jsonb NOT NULL,
    verdict text NOT NULL,
    governing text,
    recorded_at timestamp with time zone,
    version integer DEFAULT 1 NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_by text NOT NULL,
    stale text[],
    solver jsonb,
    solver_due boolean DEFAULT true NOT NULL,
    CONSTRAINT fittings_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT fittings_verdict_check CHECK ((verdict = ANY (ARRAY['holds'::text, 'tight'::text, 'short'::text, 'unproven'::text])))
);


--
-- Name: flood_plans; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.flood_plans (
    boat_id text NOT NULL,
    plan jsonb NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    updated_by text NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL
);


--
-- Name: hardware; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.hardware (
    id text NOT NULL,
    title text NOT NULL,
    maker text DEFAULT ''::text NOT NULL,
    family text NOT NULL,
    face text NOT NULL,
    length_mm double precision,
    width_mm double precision,
    diameter_mm double precision,
    thickness_mm double precision NOT NULL,
    body_height_mm double precision NOT NULL,
    outline_x double precision[] DEFAULT '{}'::double precision[] NOT NULL,
    outline_y double precision[] DEFAULT '{}'::double precision[] NOT NULL,
    holes_x double precision[] NOT NULL,
    holes_y double precision[] NOT NULL,
    sizes text[] NOT NULL,
    head text NOT NULL,
    rated_n double precision,
    units text NOT NULL,
    pipe_mm double precision,
    made_by text NOT NULL,
    CONSTRAINT hardware_body_height_mm_check CHECK ((body_height_mm >= (0)::double precision)),
    CONSTRAINT hardware_check CHECK (((diameter_mm IS NULL) <> (length_mm IS NULL))),
    CONSTRAINT hardware_check1 CHECK (((length_mm IS NULL) = (width_mm IS NULL))),
    CONSTRAINT hardware_check2 CHECK (((cardinality(holes_x) = cardinality(holes_y)) AND (cardinality(holes_x) > 0))),
    CONSTRAINT hardware_check3 CHECK ((cardinality(outline_x) = cardinality(outline_y))),
    CONSTRAINT hardware_diameter_mm_check CHECK ((diameter_mm > (0)::double precision)),
    CONSTRAINT hardware_face_check CHECK ((face = ANY (ARRAY['stainless'::text, 'aluminium'::text, 'bronze'::text]))),
    CONSTRAINT hardware_head_check CHECK ((head = ANY (ARRAY['hex'::text, 'countersunk'::text]))),
    CONSTRAINT hardware_id_check CHECK ((id ~ '^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$'::text)),
    CONSTRAINT hardware_length_mm_check CHECK ((length_mm > (0)::double precision)),
    CONSTRAINT hardware_pipe_mm_check CHECK ((pipe_mm > (0)::double precision)),
    CONSTRAINT hardware_rated_n_check CHECK ((rated_n > (0)::double precision)),
    CONSTRAINT hardware_thickness_mm_check CHECK ((thickness_mm > (0)::double precision)),
    CONSTRAINT hardware_title_check CHECK (((length(title) >= 1) AND (length(title) <= 120))),
    CONSTRAINT hardware_units_check CHECK ((units = ANY (ARRAY['metric'::text, 'inch'::text]))),
    CONSTRAINT hardware_width_mm_check CHECK ((width_mm > (0)::double precision))
);


--
-- Name: hull_fittings; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.hull_fittings (
    id uuid DEFAULT gen_random_uuid() NOT NULL,
    boat_id text NOT NULL,
    name text NOT NULL,
    design jsonb NOT NULL,
    verdict text NOT NULL,
    governing text,
    replaces_id uuid,
    recorded_at timestamp with time zone,
    version integer DEFAULT 1 NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_at timestamp with time zone DEFAULT now() NOT NULL,
    updated_by text NOT NULL,
    CONSTRAINT hull_fittings_name_check CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT hull_fittings_verdict_check CHECK ((verdict = ANY (ARRAY['holds'::text, 'tight'::text, 'short'::text, 'unproven'::text])))
);


--
-- Name: hull_goods; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.hull_goods (
    id text NOT NULL,
    kind text NOT NULL,
    part jsonb NOT NULL,
    made_by text NOT NULL,
    made_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT hull_goods_id_check CHECK ((id ~ '^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$'::text)),
    CONSTRAINT hull_goods_kind_check CHECK ((kind = ANY (ARRAY['skin'::text, 'valve'::text, 'tail'::text])))
);


--
-- Name: hull_log; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.hull_log (
    id bigint NOT NULL,
    hull_fitting_id uuid NOT NULL,
    kind text NOT NULL,
    value double precision,
    note text DEFAULT ''::text NOT NULL,
    who text NOT NULL,
    at timestamp with time zone DEFAULT now() NOT NULL,
    step text DEFAULT ''::text NOT NULL,
    lot_id integer,
    temp_c double precision,
    humidity_pct double precision,
    size_mm double precision,
    CONSTRAINT hull_log_check CHECK (((kind <> ALL (ARRAY['bond'::text, 'anode'::text])) OR (value IS NOT NULL))),
    CONSTRAINT hull_log_humidity_pct_check CHECK (((humidity_pct >= (0)::double precision) AND (humidity_pct <= (100)::double precision))),
    CONSTRAINT hull_log_kind_check CHECK ((kind = ANY (ARRAY['bond'::text, 'anode'::text, 'look'::text, 'order'::text, 'tick'::text, 'decision'::text]))),
    CONSTRAINT hull_log_size_mm_check CHECK ((size_mm > (0)::double precision)),
    CONSTRAINT hull_log_value_check CHECK ((value >= (0)::double precision))
);


--
-- Name: hull_log_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.hull_log_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: hull_log_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.hull_log_id_seq OWNED BY public.hull_log.id;


--
-- Name: life_events; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.life_events (
    id bigint NOT NULL,
    penetration_id integer NOT NULL,
    seq integer NOT NULL,
    state text NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    who text NOT NULL,
    happened_at timestamp with time zone NOT NULL,
    recorded_at timestamp with time zone DEFAULT now() NOT NULL,
    size_mm double precision,
    temp_c double precision,
    humidity_pct double precision,
    lot_id integer,
    evidence text DEFAULT ''::text NOT NULL,
    gates_passed text[] DEFAULT '{}'::text[] NOT NULL,
    gate_reason text,
    corrects integer,
    CONSTRAINT life_events_check CHECK (((cardinality(gates_passed) = 0) OR (length(TRIM(BOTH FROM gate_reason)) > 0))),
    CONSTRAINT life_events_humidity_pct_check CHECK (((humidity_pct >= (0)::double precision) AND (humidity_pct <= (100)::double precision))),
    CONSTRAINT life_events_seq_check CHECK ((seq > 0)),
    CONSTRAINT life_events_size_mm_check CHECK ((size_mm > (0)::double precision)),
    CONSTRAINT life_events_state_check CHECK ((state = ANY (ARRAY['marked'::text, 'drilled'::text, 'core sealed'::text, 'dry fitted'::text, 'bedded'::text, 'cured'::text, 'proved'::text, 'in service'::text, 'suspect'::text, 'closed'::text])))
);


--
-- Name: life_events_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.life_events_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: life_events_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.life_events_id_seq OWNED BY public.life_events.id;


--
-- Name: lots; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.lots (
    id integer NOT NULL,
    code text NOT NULL,
    title text NOT NULL,
    chemistry text NOT NULL,
    kind text NOT NULL,
    opened_on date,
    expires_on date NOT NULL,
    stored_hot boolean DEFAULT false NOT NULL,
    on_hand text DEFAULT ''::text NOT NULL,
    tested_on date,
    test_note text DEFAULT ''::text NOT NULL,
    CONSTRAINT lots_kind_check CHECK ((kind = ANY (ARRAY['sealant'::text, 'epoxy'::text])))
);


--
-- Name: lots_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.lots_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: lots_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.lots_id_seq OWNED BY public.lots.id;


--
-- Name: migrations; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.migrations (
    name text NOT NULL,
    run_at timestamp with time zone DEFAULT now() NOT NULL
);


--
-- Name: outline_stations; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.outline_stations (
    boat_id text NOT NULL,
    x_mm double precision NOT NULL,
    half_breadth_mm double precision NOT NULL,
    sheer_mm double precision NOT NULL,
    keel_mm double precision NOT NULL,
    CONSTRAINT outline_stations_half_breadth_mm_check CHECK ((half_breadth_mm >= (0)::double precision))
);


--
-- Name: penetrations; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.penetrations (
    id integer NOT NULL,
    boat_id text NOT NULL,
    number integer NOT NULL,
    fitting_id uuid,
    bolt_index integer,
    what_for text NOT NULL,
    zone text NOT NULL,
    x_mm double precision NOT NULL,
    y_mm double precision NOT NULL,
    z_mm double precision NOT NULL,
    diameter_mm double precision NOT NULL,
    through text NOT NULL,
    fastener text DEFAULT ''::text NOT NULL,
    plate text DEFAULT ''::text NOT NULL,
    core_school text DEFAULT 'none'::text NOT NULL,
    sealant text,
    below_waterline boolean DEFAULT false NOT NULL,
    found boolean DEFAULT false NOT NULL,
    created_at timestamp with time zone DEFAULT now() NOT NULL,
    across_mm double precision,
    found_kind text,
    measured_from text DEFAULT ''::text NOT NULL,
    hull_fitting_id uuid,
    CONSTRAINT penetrations_across_mm_check CHECK ((across_mm > (0)::double precision)),
    CONSTRAINT penetrations_bolt_index_check CHECK ((bolt_index >= 0)),
    CONSTRAINT penetrations_diameter_mm_check CHECK ((diameter_mm > (0)::double precision)),
    CONSTRAINT penetrations_number_check CHECK ((number > 0))
);


--
-- Name: penetrations_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.penetrations_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: penetrations_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.penetrations_id_seq OWNED BY public.penetrations.id;


--
-- Name: photos; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.photos (
    id bigint NOT NULL,
    boat_id text NOT NULL,
    subject text NOT NULL,
    subject_id text NOT NULL,
    caption text DEFAULT ''::text NOT NULL,
    mime text NOT NULL,
    width integer NOT NULL,
    height integer NOT NULL,
    sha256 text NOT NULL,
    original bytea NOT NULL,
    large bytea NOT NULL,
    small bytea NOT NULL,
    who text NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    CONSTRAINT photos_mime_check CHECK ((mime = ANY (ARRAY['image/jpeg'::text, 'image/png'::text, 'image/webp'::text]))),
    CONSTRAINT photos_subject_check CHECK ((subject = ANY (ARRAY['hole'::text, 'zone'::text, 'reading'::text, 'boat'::text])))
);


--
-- Name: photos_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.photos_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: photos_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.photos_id_seq OWNED BY public.photos.id;


--
-- Name: rate_hits; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.rate_hits (
    key text NOT NULL,
    hits integer NOT NULL,
    reset_at timestamp with time zone NOT NULL
);


--
-- Name: readings; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.readings (
    id bigint NOT NULL,
    boat_id text NOT NULL,
    zone_id integer,
    kind text NOT NULL,
    way text DEFAULT ''::text NOT NULL,
    layer_seq integer,
    x_mm double precision NOT NULL,
    y_mm double precision NOT NULL,
    value double precision,
    scale_most double precision,
    dry_reference double precision,
    finding text DEFAULT ''::text NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    instrument text DEFAULT ''::text NOT NULL,
    who text NOT NULL,
    taken_at timestamp with time zone NOT NULL,
    withdrawn_why text,
    withdrawn_by text,
    CONSTRAINT readings_check CHECK (((kind <> 'thickness'::text) OR ((value > (0)::double precision) AND (layer_seq IS NOT NULL)))),
    CONSTRAINT readings_check1 CHECK (((kind <> 'moisture'::text) OR ((value IS NOT NULL) AND (scale_most IS NOT NULL) AND (dry_reference IS NOT NULL)))),
    CONSTRAINT readings_check2 CHECK (((kind <> ALL (ARRAY['tap'::text, 'core'::text])) OR (finding <> ''::text))),
    CONSTRAINT readings_check3 CHECK (((withdrawn_why IS NULL) = (withdrawn_by IS NULL))),
    CONSTRAINT readings_kind_check CHECK ((kind = ANY (ARRAY['thickness'::text, 'moisture'::text, 'tap'::text, 'core'::text]))),
    CONSTRAINT readings_layer_seq_check CHECK ((layer_seq >= 0)),
    CONSTRAINT readings_scale_most_check CHECK ((scale_most > (0)::double precision))
);


--
-- Name: readings_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.readings_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: readings_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.readings_id_seq OWNED BY public.readings.id;


--
-- Name: rejudge_jobs; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.rejudge_jobs (
    id bigint NOT NULL,
    boat_id text NOT NULL,
    why text NOT NULL,
    total integer DEFAULT 0 NOT NULL,
    done integer DEFAULT 0 NOT NULL,
    turned integer DEFAULT 0 NOT NULL,
    beat_at timestamp with time zone DEFAULT now() NOT NULL,
    finished_at timestamp with time zone,
    solver_left integer DEFAULT 0 NOT NULL
);


--
-- Name: rejudge_jobs_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.rejudge_jobs_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: rejudge_jobs_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.rejudge_jobs_id_seq OWNED BY public.rejudge_jobs.id;


--
-- Name: session; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.session (
    sid character varying NOT NULL,
    sess json NOT NULL,
    expire timestamp(6) without time zone NOT NULL
);


--
-- Name: settings; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.settings (
    key text NOT NULL,
    value text NOT NULL
);


--
-- Name: structures; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.structures (
    id integer NOT NULL,
    boat_id text NOT NULL,
    kind text NOT NULL,
    title text NOT NULL,
    x0_mm double precision NOT NULL,
    y0_mm double precision NOT NULL,
    x1_mm double precision NOT NULL,
    y1_mm double precision NOT NULL,
    below_mm double precision,
    depth_mm double precision,
    width_mm double precision,
    CONSTRAINT structures_below_mm_check CHECK ((below_mm >= (0)::double precision)),
    CONSTRAINT structures_depth_mm_check CHECK ((depth_mm > (0)::double precision)),
    CONSTRAINT structures_kind_check CHECK ((kind = ANY (ARRAY['beam'::text, 'longitudinal'::text, 'bulkhead'::text, 'knee'::text, 'tank'::text, 'cable'::text, 'liner'::text, 'headliner'::text, 'wet'::text, 'sling'::text, 'bunk'::text]))),
    CONSTRAINT structures_width_mm_check CHECK ((width_mm > (0)::double precision))
);


--
-- Name: structures_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.structures_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: structures_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.structures_id_seq OWNED BY public.structures.id;


--
-- Name: users; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.users (
    id integer NOT NULL,
    login text NOT NULL,
    name text NOT NULL,
    role text NOT NULL,
    boat_id text,
    password_hash text NOT NULL,
    CONSTRAINT users_check CHECK (((role <> 'owner'::text) OR (boat_id IS NOT NULL))),
    CONSTRAINT users_role_check CHECK ((role = ANY (ARRAY['manager'::text, 'fitter'::text, 'apprentice'::text, 'owner'::text])))
);


--
-- Name: users_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.users_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: users_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.users_id_seq OWNED BY public.users.id;


--
-- Name: yard_habits; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.yard_habits (
    question text NOT NULL,
    school text NOT NULL,
    set_by text NOT NULL,
    set_at timestamp with time zone DEFAULT now() NOT NULL
);


--
-- Name: yard_values; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.yard_values (
    kind text NOT NULL,
    material text NOT NULL,
    field text NOT NULL,
    value double precision NOT NULL,
    reason text NOT NULL,
    measured_by text NOT NULL,
    measured_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT yard_values_kind_check CHECK ((kind = ANY (ARRAY['core'::text, 'laminate'::text, 'plate'::text, 'sealant'::text, 'line'::text]))),
    CONSTRAINT yard_values_reason_check CHECK ((length(TRIM(BOTH FROM reason)) > 0)),
    CONSTRAINT yard_values_value_check CHECK (((value > (0)::double precision) AND (value < ('1000000000'::numeric)::double precision)))
);


--
-- Name: zone_layers; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.zone_layers (
    zone_id integer NOT NULL,
    seq integer NOT NULL,
    material text NOT NULL,
    thickness_mm double precision NOT NULL,
    measured boolean NOT NULL,
    measured_by text DEFAULT ''::text NOT NULL,
    spread_mm double precision,
    reading_count integer DEFAULT 0 NOT NULL,
    CONSTRAINT zone_layers_spread_mm_check CHECK ((spread_mm >= (0)::double precision)),
    CONSTRAINT zone_layers_thickness_mm_check CHECK ((thickness_mm > (0)::double precision))
);


--
-- Name: zones; Type: TABLE; Schema: public; Owner: -
--

CREATE TABLE public.zones (
    id integer NOT NULL,
    boat_id text NOT NULL,
    code text NOT NULL,
    title text NOT NULL,
    face text NOT NULL,
    kind text NOT NULL,
    z_mm double precision NOT NULL,
    outline_x double precision[] NOT NULL,
    outline_y double precision[] NOT NULL,
    stacking integer DEFAULT 0 NOT NULL,
    reach text DEFAULT ''::text NOT NULL,
    state text DEFAULT ''::text NOT NULL,
    version integer DEFAULT 1 NOT NULL,
    reach_kind text DEFAULT 'unknown'::text NOT NULL,
    at_x_mm double precision,
    CONSTRAINT zones_check CHECK (((array_length(outline_x, 1) = array_length(outline_y, 1)) AND (array_length(outline_x, 1) >= 3))),
    CONSTRAINT zones_face_check CHECK ((face = ANY (ARRAY['deck'::text, 'roof'::text, 'topsides'::text, 'bottom'::text, 'bulkhead'::text]))),
    CONSTRAINT zones_kind_check CHECK ((kind = ANY (ARRAY['sandwich'::text, 'solid'::text, 'metal'::text, 'timber'::text]))),
    CONSTRAINT zones_reach_kind_check CHECK ((reach_kind = ANY (ARRAY['open'::text, 'one-arm'::text, 'none'::text, 'unknown'::text])))
);


--
-- Name: zones_id_seq; Type: SEQUENCE; Schema: public; Owner: -
--

CREATE SEQUENCE public.zones_id_seq
    AS integer
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1;


--
-- Name: zones_id_seq; Type: SEQUENCE OWNED BY; Schema: public; Owner: -
--

ALTER SEQUENCE public.zones_id_seq OWNED BY public.zones.id;


--
-- Name: angle_readings id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.angle_readings ALTER COLUMN id SET DEFAULT nextval('public.angle_readings_id_seq'::regclass);


--
-- Name: hull_log id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_log ALTER COLUMN id SET DEFAULT nextval('public.hull_log_id_seq'::regclass);


--
-- Name: life_events id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.life_events ALTER COLUMN id SET DEFAULT nextval('public.life_events_id_seq'::regclass);


--
-- Name: lots id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.lots ALTER COLUMN id SET DEFAULT nextval('public.lots_id_seq'::regclass);


--
-- Name: penetrations id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations ALTER COLUMN id SET DEFAULT nextval('public.penetrations_id_seq'::regclass);


--
-- Name: photos id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photos ALTER COLUMN id SET DEFAULT nextval('public.photos_id_seq'::regclass);


--
-- Name: readings id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.readings ALTER COLUMN id SET DEFAULT nextval('public.readings_id_seq'::regclass);


--
-- Name: rejudge_jobs id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejudge_jobs ALTER COLUMN id SET DEFAULT nextval('public.rejudge_jobs_id_seq'::regclass);


--
-- Name: structures id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.structures ALTER COLUMN id SET DEFAULT nextval('public.structures_id_seq'::regclass);


--
-- Name: users id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.users ALTER COLUMN id SET DEFAULT nextval('public.users_id_seq'::regclass);


--
-- Name: zones id; Type: DEFAULT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zones ALTER COLUMN id SET DEFAULT nextval('public.zones_id_seq'::regclass);


--
-- Data for Name: angle_readings; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.angle_readings VALUES (1, 'fulmars-reach', 'reference', '', NULL, NULL, NULL, NULL, -0.4, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:12:00+00');
INSERT INTO public.angle_readings VALUES (2, 'fulmars-reach', 'reference', '', NULL, NULL, NULL, NULL, -0.35, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:14:00+00');
INSERT INTO public.angle_readings VALUES (3, 'fulmars-reach', 'reference', '', NULL, NULL, NULL, NULL, -0.45, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:16:00+00');
INSERT INTO public.angle_readings VALUES (4, 'fulmars-reach', 'reference', '', NULL, NULL, NULL, NULL, -0.35, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:18:00+00');
INSERT INTO public.angle_readings VALUES (5, 'fulmars-reach', 'trim', '', NULL, NULL, NULL, NULL, 0.75, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:20:00+00');
INSERT INTO public.angle_readings VALUES (6, 'fulmars-reach', 'trim', '', NULL, NULL, NULL, NULL, 0.7, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:22:00+00');
INSERT INTO public.angle_readings VALUES (7, 'fulmars-reach', 'trim', '', NULL, NULL, NULL, NULL, 0.65, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:24:00+00');
INSERT INTO public.angle_readings VALUES (8, 'fulmars-reach', 'station', 'Stanchion 1', 'port', 'across', 0, NULL, 4.4, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:26:00+00');
INSERT INTO public.angle_readings VALUES (9, 'fulmars-reach', 'station', 'Stanchion 1', 'port', 'across', 0, NULL, 4.45, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:28:00+00');
INSERT INTO public.angle_readings VALUES (10, 'fulmars-reach', 'station', 'Stanchion 1', 'port', 'across', 0, NULL, 4.4, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:30:00+00');
INSERT INTO public.angle_readings VALUES (11, 'fulmars-reach', 'station', 'Stanchion 1', 'starboard', 'across', 0, NULL, 3.4, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:32:00+00');
INSERT INTO public.angle_readings VALUES (12, 'fulmars-reach', 'station', 'Stanchion 1', 'starboard', 'across', 0, NULL, 3.4, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:34:00+00');
INSERT INTO public.angle_readings VALUES (13, 'fulmars-reach', 'station', 'Stanchion 1', 'starboard', 'across', 0, NULL, 3.35, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:36:00+00');
INSERT INTO public.angle_readings VALUES (14, 'fulmars-reach', 'station', 'Stanchion 2', 'port', 'across', 0, NULL, 5.75, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:38:00+00');
INSERT INTO public.angle_readings VALUES (15, 'fulmars-reach', 'station', 'Stanchion 2', 'port', 'across', 0, NULL, 5.75, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:40:00+00');
INSERT INTO public.angle_readings VALUES (16, 'fulmars-reach', 'station', 'Stanchion 2', 'port', 'across', 0, NULL, 5.65, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:42:00+00');
INSERT INTO public.angle_readings VALUES (17, 'fulmars-reach', 'station', 'Stanchion 2', 'starboard', 'across', 0, NULL, 5.55, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:44:00+00');
INSERT INTO public.angle_readings VALUES (18, 'fulmars-reach', 'station', 'Stanchion 2', 'starboard', 'across', 0, NULL, 5.45, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:46:00+00');
INSERT INTO public.angle_readings VALUES (19, 'fulmars-reach', 'station', 'Stanchion 2', 'starboard', 'across', 0, NULL, 5.5, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:48:00+00');
INSERT INTO public.angle_readings VALUES (20, 'fulmars-reach', 'recheck', '', NULL, NULL, NULL, 4, -0.45, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:50:00+00');
INSERT INTO public.angle_readings VALUES (21, 'fulmars-reach', 'recheck', '', NULL, NULL, NULL, 4, -0.55, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:52:00+00');
INSERT INTO public.angle_readings VALUES (22, 'fulmars-reach', 'recheck', '', NULL, NULL, NULL, 4, -0.5, 'Digital level, simulated', 'Isa Rendall', '2026-10-17 11:54:00+00');


--
-- Data for Name: boats; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.boats VALUES ('fulmars-reach', 'Fulmar’s Reach', 'harbour survey launch, fitting out for seabird ringing and coast research', 11800, 3700, 9400, 'coastal', 'metric', 'laminate, cored decks', 'On the hard, bow up 0.7°, heeled 0.4° to port.', true, 1, 'laminate');
INSERT INTO public.boats VALUES ('pipit', 'Pipit', 'open day-sailing boat of a youth club', 6400, 2120, 780, 'sheltered', 'inch', 'laminate, plywood-cored deck', '', false, 1, 'laminate');
INSERT INTO public.boats VALUES ('tarn-runner', 'Tarn Runner', 'aluminium shellfish-farm workboat', 8100, 2600, 2600, 'coastal', 'metric', 'aluminium 5083', '', false, 1, 'laminate');


--
-- Data for Name: fittings; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.fittings VALUES ('214ed834-4177-46ca-a604-fb94cf29f313', 'fulmars-reach', 'Towing and mooring bitt', '{"base": {"widthMm": 160, "lengthMm": 240, "thicknessMm": 12, "bodyHeightMm": 220}, "bolt": {"nut": "locking", "head": "hex", "size": "M16", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": true, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"line": "polyester-3", "basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "heightMm": 132, "diameterMm": 14}, "name": "Towing and mooring bitt", "bolts": [{"xMm": -95, "yMm": -55}, {"xMm": 95, "yMm": -55}, {"xMm": 95, "yMm": 55}, {"xMm": -95, "yMm": 55}, {"xMm": 0, "yMm": -55}, {"xMm": 0, "yMm": 55}], "cases": [], "place": {"xMm": 1180, "yMm": 520, "zMm": 1620, "zone": "Foredeck", "edgeMm": 347, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 190, "bedGapMm": 1, "lengthMm": 270, "material": "g10", "thicknessMm": 8, "crownRadiusMm": null}, "sizes": ["M10", "M12", "M16"], "bought": null, "family": "bitt", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 12}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3, "outerMm": 4}, "dutyReason": null, "catalogueId": "HG-B160", "schemaVersion": 1, "structureReason": null}', 'short', 'punching-core', NULL, 1, '2026-11-27 13:29:53.057+00', '2026-11-27 13:29:53.057+00', 'Tam Corrigall', NULL, '{"key": "e03ec24ebffc8aad23f052ffa2ca7a66d8ade1cbedf8c449c03417be8c4db133", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 28.501032587970283, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "28.5 MPa of tension at -120 aft, 115 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "short", "working": [], "capacity": 85, "remedies": [], "utilisation": 1.0059187972224806}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 33.0376949637692, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "33 MPa of compression at -120 aft, 115 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "short", "working": [], "capacity": 85, "remedies": [], "utilisation": 1.166036292838913}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 1.3747831486733715, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "1.37 MPa at -135 aft, 115 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "tight", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.9481263094299114}]}', false);
INSERT INTO public.fittings VALUES ('b0b08bc4-cdd7-4016-8245-b505d95f0d87', 'fulmars-reach', 'Mooring cleat, port bow', '{"base": {"widthMm": 70, "lengthMm": 150, "thicknessMm": 12, "bodyHeightMm": 62}, "bolt": {"nut": "locking", "head": "hex", "size": "M10", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"line": "polyester-3", "basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "heightMm": 40, "diameterMm": 12}, "name": "Mooring cleat, port bow", "bolts": [{"xMm": -55, "yMm": -20}, {"xMm": 55, "yMm": -20}, {"xMm": 55, "yMm": 20}, {"xMm": -55, "yMm": 20}], "cases": [], "place": {"xMm": 900, "yMm": -640, "zMm": 1620, "zone": "Foredeck", "edgeMm": 149, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 120, "bedGapMm": 1, "lengthMm": 190, "material": "g10", "thicknessMm": 6, "crownRadiusMm": null}, "sizes": ["M8", "M10"], "bought": null, "family": "cleat", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 12}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3, "outerMm": 4}, "dutyReason": null, "catalogueId": "HG-C250", "schemaVersion": 1, "structureReason": null}', 'short', 'punching-core', NULL, 1, '2026-11-27 13:29:52.7+00', '2026-11-27 13:29:52.7+00', 'Tam Corrigall', NULL, '{"key": "970769da66afad2c41158bf011421f79d6c28bbf912fbefd84a10b110ac5d143", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 19.396961909133303, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "19.4 MPa of tension at -69 aft, 81 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.6845986556164695}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 22.960628820312458, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "23 MPa of compression at -75 aft, 81 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.8103751348345574}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 1.013052817696084, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "1.01 MPa at -55 aft, 11 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.6986571156524718}]}', false);
INSERT INTO public.fittings VALUES ('37346e90-7adf-4311-909f-4c13d90fdb48', 'fulmars-reach', 'Stanchion 3, starboard', '{"base": {"widthMm": 80, "lengthMm": 90, "thicknessMm": 6, "bodyHeightMm": 70}, "bolt": {"nut": "locking", "head": "hex", "size": "M8", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": 19, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"kind": "guard", "basis": "person", "heightMm": 610}, "name": "Stanchion 3, starboard", "bolts": [{"xMm": -32, "yMm": -27}, {"xMm": 32, "yMm": -27}, {"xMm": 32, "yMm": 27}, {"xMm": -32, "yMm": 27}], "cases": [], "place": {"xMm": 5280, "yMm": 1660, "zMm": 1440, "zone": "Side deck, starboard", "edgeMm": 55, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 115, "bedGapMm": 1, "lengthMm": 125, "material": "g10", "thicknessMm": 8, "crownRadiusMm": null}, "sizes": ["M6", "M8"], "bought": null, "family": "stanchion", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 12}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3, "outerMm": 4}, "dutyReason": null, "catalogueId": "HG-S25", "schemaVersion": 1, "structureReason": null}', 'short', 'punching-core', '2026-11-03 13:30:00.367+00', 1, '2026-11-27 13:30:00.361+00', '2026-11-27 13:30:00.361+00', 'Tam Corrigall', NULL, '{"key": "fc866e209082c2190538df524a941002fb83507f7abdfdbd504c027add1994f7", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 10.941705548366135, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "10.9 MPa of tension at 0 aft, -94 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.38617784288351065}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 13.290325193395804, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "13.3 MPa of compression at 0 aft, -94 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.4690703009433813}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 1.2003508857607565, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "1.2 MPa at 0 aft, 5 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.8278281970763839}]}', false);
INSERT INTO public.fittings VALUES ('fd0794ae-9b48-4c17-a95d-f93d189137ce', 'tarn-runner', 'Lifting point, port bow', '{"base": {"widthMm": 90, "lengthMm": 120, "thicknessMm": 12, "bodyHeightMm": 60}, "bolt": {"nut": "locking", "head": "hex", "size": "M16", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "none", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"legs": 4, "basis": "lifting", "massKg": 2600, "heightMm": 60, "legAngleDeg": 30}, "name": "Lifting point, port bow", "bolts": [{"xMm": -42, "yMm": -28}, {"xMm": 42, "yMm": -28}, {"xMm": 42, "yMm": 28}, {"xMm": -42, "yMm": 28}], "cases": [], "place": {"xMm": 1860, "yMm": -600, "zMm": 900, "zone": "Deck", "edgeMm": 627, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M12", "M16"], "bought": null, "family": "lifting-point", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "aluminium", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": {"weldMm": 4, "widthMm": 300, "lengthMm": 300, "thicknessMm": 8}, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["thicknessMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"kind": "metal", "metal": "aluminium-5083", "thicknessMm": 4}, "dutyReason": null, "catalogueId": "HG-LP90", "schemaVersion": 1, "structureReason": null}', 'holds', 'spread-skin', NULL, 1, '2026-11-27 13:30:02.175+00', '2026-11-27 13:30:02.175+00', 'Tam Corrigall', NULL, '{"key": "55b8c664d23d57a55f63a9746ef38ef44905ccbd25dc89dcce30bb2cb5495378", "checks": [{"id": "spread-skin", "unit": "MPa", "title": "Bending of the plating, plate solver", "demand": 67.61324233348269, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "The deck bends to 67.6 MPa at -42 aft, 0 to starboard of the middle; 125 MPa with a factor of 1.5.", "verdict": "holds", "working": [], "capacity": 125, "remedies": [], "utilisation": 0.8113589080017923}]}', false);
INSERT INTO public.fittings VALUES ('0416e3a0-7b41-4310-ac76-dfd8e7ac6da9', 'pipit', 'Foredeck cleat', '{"base": {"widthMm": 38.099999999999994, "lengthMm": 88.89999999999999, "thicknessMm": 9.524999999999999, "bodyHeightMm": 38.099999999999994}, "bolt": {"nut": "locking", "head": "countersunk", "size": "5/16-18", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "none", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "sheltered", "load": {"basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "heightMm": 25, "breakingN": 9000}, "name": "Foredeck cleat", "bolts": [{"xMm": -31.75, "yMm": -11.112499999999999}, {"xMm": 31.75, "yMm": -11.112499999999999}, {"xMm": 31.75, "yMm": 11.112499999999999}, {"xMm": -31.75, "yMm": 11.112499999999999}], "cases": [], "place": {"xMm": 700, "yMm": 0, "zMm": 660, "zone": "Foredeck", "edgeMm": 377, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 105, "bedGapMm": 1, "lengthMm": 145, "material": "g10", "thicknessMm": 8, "crownRadiusMm": null}, "sizes": ["1/4-20", "5/16-18"], "bought": null, "family": "cleat", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "aluminium", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"core": {"material": "plywood", "thicknessMm": 12.7}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3.175, "outerMm": 4.7625}, "dutyReason": null, "catalogueId": "HG-C6I", "schemaVersion": 1, "structureReason": null}', 'short', 'spacing', NULL, 1, '2026-11-27 13:30:01.582+00', '2026-11-27 13:30:01.582+00', 'Tam Corrigall', NULL, '{"key": "031fffa7c46f7e4460751166cb1de968b88adb2af69d3be95c0d057867ffa9fe", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 6.836799607779258, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "6.84 MPa of tension at -58 aft, 81 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.16086587312421785}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 8.356301280880798, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "8.36 MPa of compression at -58 aft, 81 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.19661885366778348}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.18611077018741173, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "0.186 MPa at -72 aft, 81 to starboard of the middle; 2 MPa with a factor of 1.5.", "verdict": "holds", "working": [], "capacity": 2, "remedies": [], "utilisation": 0.1395830776405588}]}', false);
INSERT INTO public.fittings VALUES ('15b13ec2-790b-4ce8-88b2-a89a3cdf76b6', 'tarn-runner', 'Lifting point, starboard bow', '{"base": {"widthMm": 90, "lengthMm": 120, "thicknessMm": 12, "bodyHeightMm": 60}, "bolt": {"nut": "locking", "head": "hex", "size": "M16", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "none", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"legs": 4, "basis": "lifting", "massKg": 2600, "heightMm": 60, "legAngleDeg": 30}, "name": "Lifting point, starboard bow", "bolts": [{"xMm": -42, "yMm": -28}, {"xMm": 42, "yMm": -28}, {"xMm": 42, "yMm": 28}, {"xMm": -42, "yMm": 28}], "cases": [], "place": {"xMm": 1860, "yMm": 600, "zMm": 900, "zone": "Deck", "edgeMm": 627, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M12", "M16"], "bought": null, "family": "lifting-point", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "aluminium", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": {"weldMm": 4, "widthMm": 300, "lengthMm": 300, "thicknessMm": 8}, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["thicknessMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"kind": "metal", "metal": "aluminium-5083", "thicknessMm": 4}, "dutyReason": null, "catalogueId": "HG-LP90", "schemaVersion": 1, "structureReason": null}', 'holds', 'spread-skin', NULL, 1, '2026-11-27 13:30:02.329+00', '2026-11-27 13:30:02.329+00', 'Tam Corrigall', NULL, '{"key": "14d9e4dd6d778e2d2006374b97775508771faddffd3a40b48c146f3d793705b9", "checks": [{"id": "spread-skin", "unit": "MPa", "title": "Bending of the plating, plate solver", "demand": 67.61324233348266, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "The deck bends to 67.6 MPa at -42 aft, 0 to starboard of the middle; 125 MPa with a factor of 1.5.", "verdict": "holds", "working": [], "capacity": 125, "remedies": [], "utilisation": 0.8113589080017919}]}', false);
INSERT INTO public.fittings VALUES ('40121e4b-2960-418e-a0c6-a56dc9660753', 'pipit', 'Jib-sheet track, port', '{"base": {"widthMm": 31.75, "lengthMm": 914.4, "thicknessMm": 9.524999999999999, "bodyHeightMm": 28.575}, "bolt": {"nut": "locking", "head": "countersunk", "size": "1/4-20", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "large", "headWasher": "none", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "sheltered", "load": {"basis": "rated", "ratedN": 1800, "heightMm": 28.575, "azimuthDeg": 90, "elevationDeg": 45}, "name": "Jib-sheet track, port", "bolts": [{"xMm": -406.4, "yMm": 0}, {"xMm": -304.79999999999995, "yMm": 0}, {"xMm": -203.2, "yMm": 0}, {"xMm": -101.6, "yMm": 0}, {"xMm": 0, "yMm": 0}, {"xMm": 101.6, "yMm": 0}, {"xMm": 203.2, "yMm": 0}, {"xMm": 304.79999999999995, "yMm": 0}, {"xMm": 406.4, "yMm": 0}], "cases": [], "place": {"xMm": 3300, "yMm": -760, "zMm": 600, "zone": "Side deck, port", "edgeMm": 98, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["1/4-20"], "bought": null, "family": "track", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "aluminium", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"core": {"material": "plywood", "thicknessMm": 12.7}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3.175, "outerMm": 4.7625}, "dutyReason": null, "catalogueId": "HG-TR4I", "schemaVersion": 1, "structureReason": null}', 'short', 'punching-core', NULL, 1, '2026-11-27 13:30:01.925+00', '2026-11-27 13:30:01.925+00', 'Tam Corrigall', NULL, '{"key": "602881f67994e5314ce9b3663f950400a1b27622e677a3cda1f0571e03cfee41", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 3.8093394401345173, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "3.81 MPa of tension at 51 aft, -47 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.08963151623845923}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 4.615188911940834, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "4.62 MPa of compression at 51 aft, -47 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.1085926802809608}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.18918848634362836, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "0.189 MPa at -93 aft, 46 to starboard of the middle; 2 MPa with a factor of 1.5.", "verdict": "holds", "working": [], "capacity": 2, "remedies": [], "utilisation": 0.14189136475772127}]}', false);
INSERT INTO public.fittings VALUES ('3dcdadcb-ea97-4cd7-a957-583fcff0167f', 'tarn-runner', 'Towing post', '{"base": {"diameterMm": 280, "thicknessMm": 14, "bodyHeightMm": 420}, "bolt": {"nut": "locking", "head": "hex", "size": "M16", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "none", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"line": "polyester-3", "basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 60, "from": -60, "step": 30}, "elevationDeg": {"to": 20, "from": 0, "step": 20}}, "heightMm": 294, "diameterMm": 18}, "name": "Towing post", "bolts": [{"xMm": 106.246, "yMm": 44.009}, {"xMm": 44.009, "yMm": 106.246}, {"xMm": -44.009, "yMm": 106.246}, {"xMm": -106.246, "yMm": 44.009}, {"xMm": -106.246, "yMm": -44.009}, {"xMm": -44.009, "yMm": -106.246}, {"xMm": 44.009, "yMm": -106.246}, {"xMm": 106.246, "yMm": -44.009}], "cases": [], "place": {"xMm": 5200, "yMm": 0, "zMm": 900, "zone": "Deck", "edgeMm": 1194, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M12", "M16"], "bought": null, "family": "towing-post", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "aluminium", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": {"weldMm": 4, "widthMm": 420, "lengthMm": 420, "thicknessMm": 6}, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["thicknessMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"kind": "metal", "metal": "aluminium-5083", "thicknessMm": 4}, "dutyReason": null, "catalogueId": "HG-TW90", "schemaVersion": 1, "structureReason": null}', 'short', 'spread-skin', NULL, 1, '2026-11-27 13:30:02.062+00', '2026-11-27 13:30:02.062+00', 'Tam Corrigall', NULL, '{"key": "d4a1f3e5185ba20518b0f76dd0e045a34b64ebc85104d211a672775632730e7e", "checks": [{"id": "spread-skin", "unit": "MPa", "title": "Bending of the plating, plate solver", "demand": 797.0839288880006, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "The deck bends to 797 MPa at 234 aft, -210 to starboard of the middle; 125 MPa with a factor of 1.5. It bends 55.6 mm, more than its own thickness: past where the figures are in proportion.", "verdict": "short", "working": [], "capacity": 125, "remedies": [], "utilisation": 9.565007146656008}]}', false);
INSERT INTO public.fittings VALUES ('30755599-2265-4c4e-9ddd-465af44aa068', 'fulmars-reach', 'Mooring cleat, port quarter', '{"base": {"widthMm": 70, "lengthMm": 150, "thicknessMm": 12, "bodyHeightMm": 62}, "bolt": {"nut": "locking", "head": "hex", "size": "M8", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "large", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "insert", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "epoxy-plug"}, "duty": "coastal", "load": {"line": "polyester-3", "basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "heightMm": 40, "diameterMm": 12}, "name": "Mooring cleat, port quarter", "bolts": [{"xMm": -55, "yMm": -20}, {"xMm": 55, "yMm": -20}, {"xMm": 55, "yMm": 20}, {"xMm": -55, "yMm": 20}], "cases": [], "place": {"xMm": 10940, "yMm": -1380, "zMm": 1150, "zone": "Working deck", "edgeMm": 204, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M8", "M10"], "bought": null, "family": "cleat", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 19}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 4, "outerMm": 5}, "dutyReason": null, "catalogueId": "HG-C250", "schemaVersion": 1, "structureReason": null}', 'holds', 'bearing', '2026-11-03 13:29:54.476+00', 1, '2026-11-27 13:29:54.47+00', '2026-11-27 13:29:54.47+00', 'Tam Corrigall', NULL, '{"key": "fcbe6a4bd4c30947c01be6f736a08ae44441265ae62ef96ace1d3f58fc8c4aca", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 10.571487474644393, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "10.6 MPa of tension at -55 aft, 71 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.37311132263450797}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 12.123313829207207, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "12.1 MPa of compression at -55 aft, 71 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.4278816645602544}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.8751664506027781, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "0.875 MPa at -44 aft, -3 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.6035630693812263}]}', false);
INSERT INTO public.fittings VALUES ('4d3379db-b9eb-4b33-8d67-b787ccd3c2d3', 'pipit', 'Cam-cleat pad, port', '{"base": {"widthMm": 31.75, "lengthMm": 63.5, "thicknessMm": 6.35, "bodyHeightMm": 31.75}, "bolt": {"nut": "locking", "head": "countersunk", "size": "1/4-20", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "none", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "sheltered", "load": {"basis": "rated", "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "ratedN": 1800, "heightMm": 16}, "name": "Cam-cleat pad, port", "bolts": [{"xMm": -19.049999999999997, "yMm": 0}, {"xMm": 19.049999999999997, "yMm": 0}], "cases": [], "place": {"xMm": 3600, "yMm": -820, "zMm": 600, "zone": "Side deck, port", "edgeMm": 161, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 80, "bedGapMm": 1, "lengthMm": 120, "material": "g10", "thicknessMm": 8, "crownRadiusMm": null}, "sizes": ["#10-24", "1/4-20"], "bought": null, "family": "cam-cleat", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "aluminium", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": true, "washer": true, "sealant": true}, "structure": {"core": {"material": "plywood", "thicknessMm": 12.7}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3.175, "outerMm": 4.7625}, "dutyReason": null, "catalogueId": "HG-CC6", "schemaVersion": 1, "structureReason": null}', 'tight', 'core-dry', NULL, 1, '2026-11-27 13:30:01.287+00', '2026-11-27 13:30:01.287+00', 'Tam Corrigall', NULL, '{"key": "5f6ec13513148de479cf9a5771cc1acd5a898128be7c200a51cc2ee865eb500f", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 2.436217873765692, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "2.44 MPa of tension at -9 aft, 62 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.05732277350036922}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 3.0249148054123802, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "3.02 MPa of compression at -13 aft, 62 to starboard of the middle; 85 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.07117446600970306}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.0832321119399546, "factor": 1.5, "source": "chapter 3.7", "assumed": [], "because": "0.0832 MPa at -60 aft, 62 to starboard of the middle; 2 MPa with a factor of 1.5.", "verdict": "holds", "working": [], "capacity": 2, "remedies": [], "utilisation": 0.062424083954965945}]}', false);
INSERT INTO public.fittings VALUES ('e9e17447-da34-4d29-b17a-fe2748fbc1b2', 'fulmars-reach', 'Gallows foot plate, starboard', '{"base": {"widthMm": 160, "lengthMm": 220, "thicknessMm": 10, "bodyHeightMm": 120}, "bolt": {"nut": "locking", "head": "hex", "size": "M10", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "large", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": 20, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"basis": "rated", "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "ratedN": 5000, "heightMm": 60}, "name": "Gallows foot plate, starboard", "bolts": [{"xMm": -85, "yMm": -55}, {"xMm": 85, "yMm": -55}, {"xMm": 85, "yMm": 55}, {"xMm": -85, "yMm": 55}], "cases": [], "place": {"xMm": 9600, "yMm": 640, "zMm": 1150, "zone": "Working deck", "edgeMm": 1004, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M10", "M12"], "bought": null, "family": "foot-plate", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 19}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 4, "outerMm": 5}, "dutyReason": null, "catalogueId": "HG-F220", "schemaVersion": 1, "structureReason": null}', 'short', 'punching-core', '2026-11-03 13:29:56.472+00', 1, '2026-11-27 13:29:56.469+00', '2026-11-27 13:29:56.469+00', 'Tam Corrigall', NULL, '{"key": "56bbc952f6872eecf0b12b0138e7a1b0ee623df39e34d0fcaeb8982aa0d60e2c", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 1.5283718803777313, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "1.53 MPa of compression at 145 aft, -82 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.05394253695450816}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 1.738628851900026, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "1.74 MPa of tension at 69 aft, -133 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.06136337124353032}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.4068274178265583, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "0.407 MPa at -98 aft, 110 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.28057063298383333}]}', false);
INSERT INTO public.fittings VALUES ('ec11c0ac-f604-42bd-8b80-0127f22ca7d8', 'fulmars-reach', 'Stanchion 2, starboard', '{"base": {"widthMm": 80, "lengthMm": 90, "thicknessMm": 6, "bodyHeightMm": 70}, "bolt": {"nut": "locking", "head": "hex", "size": "M6", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "large", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "insert", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "epoxy-plug"}, "duty": "coastal", "load": {"kind": "guard", "basis": "person", "heightMm": 610}, "name": "Stanchion 2, starboard", "bolts": [{"xMm": -32, "yMm": -27}, {"xMm": 32, "yMm": -27}, {"xMm": 32, "yMm": 27}, {"xMm": -32, "yMm": 27}], "cases": [], "place": {"xMm": 4300, "yMm": 1640, "zMm": 1440, "zone": "Side deck, starboard", "edgeMm": 35, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M6", "M8"], "bought": null, "family": "stanchion", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 12}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 3, "outerMm": 4}, "dutyReason": null, "catalogueId": "HG-S25", "schemaVersion": 1, "structureReason": null}', 'holds', 'spread-core-shear', '2026-11-03 13:29:58.942+00', 1, '2026-11-27 13:29:58.939+00', '2026-11-27 13:29:58.939+00', 'Tam Corrigall', NULL, '{"key": "26dc447429035e7c2065691b51c7699df44c4d80ff25c2524e648a1810371322", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 10.847537671099552, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "10.8 MPa of tension at 40 aft, 71 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.3828542707446901}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 10.377631891398433, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "10.4 MPa of tension at 12 aft, 18 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.36626936087288586}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 1.0168636687293477, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "1.02 MPa at -18 aft, 18 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.7012852887788605}]}', false);
INSERT INTO public.fittings VALUES ('06d96400-e96a-46c2-adb6-2519aa1bce71', 'fulmars-reach', 'Mooring cleat, starboard quarter', '{"base": {"widthMm": 70, "lengthMm": 150, "thicknessMm": 12, "bodyHeightMm": 62}, "bolt": {"nut": "locking", "head": "hex", "size": "M8", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "large", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "insert", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "epoxy-plug"}, "duty": "coastal", "load": {"line": "polyester-3", "basis": "line", "share": 0.5, "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "heightMm": 40, "diameterMm": 12}, "name": "Mooring cleat, starboard quarter", "bolts": [{"xMm": -55, "yMm": -20}, {"xMm": 55, "yMm": -20}, {"xMm": 55, "yMm": 20}, {"xMm": -55, "yMm": 20}], "cases": [], "place": {"xMm": 10940, "yMm": 1380, "zMm": 1150, "zone": "Working deck", "edgeMm": 204, "measuredFrom": [], "belowWaterline": false}, "plate": null, "sizes": ["M8", "M10"], "bought": null, "family": "cleat", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 19}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 4, "outerMm": 5}, "dutyReason": null, "catalogueId": "HG-C250", "schemaVersion": 1, "structureReason": null}', 'holds', 'bearing', '2026-11-03 13:29:55.565+00', 1, '2026-11-27 13:29:55.56+00', '2026-11-27 13:29:55.56+00', 'Tam Corrigall', NULL, '{"key": "351f822c393c1656402dcdf6f61a528a3800bb5f83b2f46a0938b089654cb351", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 10.182448109367913, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "10.2 MPa of tension at -55 aft, 72 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.3593805215071028}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 11.721283359308812, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "11.7 MPa of compression at -55 aft, 72 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.41369235385795805}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.871075247634586, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "0.871 MPa at -44 aft, -3 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.6007415500928179}]}', false);
INSERT INTO public.fittings VALUES ('2ee7027c-1576-4a85-9e18-7efbdd12a5da', 'fulmars-reach', 'Sampling winch base', '{"base": {"diameterMm": 200, "thicknessMm": 14, "bodyHeightMm": 180}, "bolt": {"nut": "locking", "head": "hex", "size": "M8", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "plain", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": 19, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"basis": "rated", "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "ratedN": 9000, "heightMm": 90}, "name": "Sampling winch base", "bolts": [{"xMm": 69.282, "yMm": 40}, {"xMm": 0, "yMm": 80}, {"xMm": -69.282, "yMm": 40}, {"xMm": -69.282, "yMm": -40}, {"xMm": 0, "yMm": -80}, {"xMm": 69.282, "yMm": -40}], "cases": [], "place": {"xMm": 8050, "yMm": 0, "zMm": 1150, "zone": "Working deck", "edgeMm": 581, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 210, "bedGapMm": 1, "lengthMm": 190, "material": "g10", "thicknessMm": 6, "crownRadiusMm": null}, "sizes": ["M8", "M10"], "bought": null, "family": "winch", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": ["outerMm", "coreMm", "innerMm"], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "balsa-150", "thicknessMm": 19}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 4, "outerMm": 5}, "dutyReason": null, "catalogueId": "HG-W200", "schemaVersion": 1, "structureReason": null}', 'holds', 'core-dry', '2026-11-03 13:29:58.413+00', 1, '2026-11-27 13:29:58.41+00', '2026-11-27 13:29:58.41+00', 'Tam Corrigall', NULL, '{"key": "951dbb28ebf10ea7562445cee7f4075cce17cc52f833f26ac891a0664df22faf", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 4.9389910883783, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "4.94 MPa of tension at -157 aft, 9 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.17431733253099882}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 5.834019071397343, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "5.83 MPa of compression at -157 aft, 9 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.2059065554610827}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.35641395555337646, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "0.356 MPa at 53 aft, -55 to starboard of the middle; 2.9 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.9, "remedies": [], "utilisation": 0.24580272796784583}]}', false);
INSERT INTO public.fittings VALUES ('67bf6bb2-0500-47f5-9ac8-c80e93bf06a0', 'fulmars-reach', 'Tether point, wheelhouse roof', '{"base": {"widthMm": 48, "lengthMm": 60, "thicknessMm": 6, "bodyHeightMm": 34}, "bolt": {"nut": "locking", "head": "countersunk", "size": "M6", "grade": "A4-70", "paste": true, "torqueNm": null, "nutWasher": "plain", "headWasher": "none", "partThreaded": false, "threadsInShear": true}, "core": {"torn": false, "boreMm": null, "insert": null, "school": "bore-fill", "chamferMm": 1.5, "lightLoad": false, "undercutMm": null, "insertMaterial": "insert-250"}, "duty": "coastal", "load": {"basis": "rated", "sweep": {"azimuthDeg": {"to": 90, "from": -90, "step": 30}, "elevationDeg": {"to": 30, "from": 0, "step": 15}}, "ratedN": 5000, "heightMm": 17}, "name": "Tether point, wheelhouse roof", "bolts": [{"xMm": -20, "yMm": -15}, {"xMm": 20, "yMm": -15}, {"xMm": 20, "yMm": 15}, {"xMm": -20, "yMm": 15}], "cases": [], "place": {"xMm": 4600, "yMm": 420, "zMm": 2700, "zone": "Wheelhouse roof", "edgeMm": 505, "measuredFrom": [], "belowWaterline": false}, "plate": {"bonded": true, "sheets": 1, "outline": null, "widthMm": 110, "bedGapMm": 1, "lengthMm": 120, "material": "g10", "thicknessMm": 8, "crownRadiusMm": null}, "sizes": ["M6"], "bought": null, "family": "pad-eye", "padsMm": [], "pipeMm": null, "bedding": {"tempC": 12, "beadMm": null, "sealant": "butyl", "baseFace": "stainless", "deckFace": "gelcoat", "sunlight": false, "movementMm": 0, "tightening": "once", "humidityPct": 65, "toBePainted": false, "fuelOrSolvent": false, "serviceAgainYears": 10}, "doubler": null, "schools": {"wet": null, "bead": "bead-on-fitting", "plate": "calculated", "inside": "leak-must-tell"}, "wetness": "splash", "caseName": "Usual load", "measured": [], "unevenMm": [], "isolation": {"sleeve": false, "washer": false, "sealant": false}, "structure": {"core": {"material": "pvc-130", "thicknessMm": 15}, "kind": "sandwich", "skin": {"laminate": "mat"}, "innerMm": 2.5, "outerMm": 3}, "dutyReason": null, "catalogueId": "HG-P60", "schemaVersion": 1, "structureReason": null}', 'short', 'crush-base-core', NULL, 1, '2026-11-27 13:30:00.788+00', '2026-11-27 13:30:00.788+00', 'Tam Corrigall', NULL, '{"key": "245895dcddc1963a2aab3d56ff961513f4cd3034a43f572b7157c3c83e48783b", "checks": [{"id": "spread-skin-outer", "unit": "MPa", "title": "Bending of the outer skin, plate solver", "demand": 5.566911575974343, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "5.57 MPa of tension at -73 aft, 74 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.19647923209321208}, {"id": "spread-skin-inner", "unit": "MPa", "title": "Bending of the inner skin, plate solver", "demand": 6.200820264434238, "factor": 3, "source": "chapter 3.7", "assumed": [], "because": "6.2 MPa of compression at -94 aft, 4 to starboard of the middle; 85 MPa with a factor of 3.", "verdict": "holds", "working": [], "capacity": 85, "remedies": [], "utilisation": 0.2188524799212084}, {"id": "spread-core-shear", "unit": "MPa", "title": "Core shear, plate solver", "demand": 0.2613717792837024, "factor": 2, "source": "chapter 3.7", "assumed": [], "because": "0.261 MPa at -8 aft, -2 to starboard of the middle; 2.2 MPa with a factor of 2.", "verdict": "holds", "working": [], "capacity": 2.2, "remedies": [], "utilisation": 0.23761070843972945}]}', false);


--
-- Data for Name: flood_plans; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.flood_plans VALUES ('fulmars-reach', '{"doors": [{"a": "fore", "b": "main", "open": true, "title": "Limber in the collision bulkhead", "areaCm2": 20, "sillZMm": -320}, {"a": "main", "b": "lazarette", "open": false, "title": "Shaft tunnel", "areaCm2": 120, "sillZMm": -380}], "marks": [{"zMm": -250, "name": "Cabin sole", "compartment": "main"}, {"zMm": -150, "name": "Batteries", "compartment": "main"}, {"zMm": -200, "name": "Steering gear", "compartment": "lazarette"}], "pumps": [{"title": "Bilge pump, engine", "derate": 0.5, "ratedLpm": 120, "startZMm": -420, "compartment": "main"}, {"title": "Bilge pump, aft", "derate": 0.5, "ratedLpm": 60, "startZMm": -350, "compartment": "lazarette"}], "compartments": [{"id": "fore", "title": "Fore peak", "toXMm": 1900, "areaM2": 1.6, "fromXMm": 0, "floorZMm": -330}, {"id": "main", "title": "Cabin and engine", "toXMm": 7400, "areaM2": 9.5, "fromXMm": 1900, "floorZMm": -480}, {"id": "lazarette", "title": "Lazarette", "toXMm": 11800, "areaM2": 7.8, "fromXMm": 7400, "floorZMm": -400}]}', 1, 'Tam Corrigall', '2026-11-27 13:30:03.582+00');


--
-- Data for Name: hardware; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.hardware VALUES ('OWN-1', 'Own fairlead, welded', 'the yard', 'fairlead', 'stainless', 180, 60, NULL, 6, 70, '{}', '{}', '{-70,70}', '{0,0}', '{M8}', 'hex', NULL, 'metric', NULL, 'Isa Rendall');


--
-- Data for Name: hull_fittings; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.hull_fittings VALUES ('e7f2e6ba-e6a4-4d3c-a77e-71277c46aa8d', 'fulmars-reach', 'Wet-lab intake', '{"pad": {"bondMPa": 12, "material": "g10", "diameterMm": 170, "thicknessMm": 18}, "use": "lab-intake", "asks": {"reach": "under the lab’s floorboard, one hand", "slings": "slings at frames 3 and 9, said by the hoist"}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "through", "insertMm": 12, "engagedMm": null}, "hose": {"clips": 2, "bandMm": 13, "boreMm": 32, "belowRated": true}, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": true}, "name": "Wet-lab intake", "plug": null, "skin": {"id": "MV-D114", "nutMm": 0, "title": "Skin fitting 1 1/4, DZR, mushroom head", "boreMm": 32, "holeMm": 44, "rootMm": 38.9, "tailMm": 150, "thread": {"size": "1 1/4", "family": "bspp"}, "proudMm": 7, "collarMm": 0, "flangeMm": 64, "material": "bronze", "tailOdMm": 41.9, "windowMm": [16, 20], "yieldMPa": 150, "leastTotalMm": 12, "greatestTotalMm": null}, "stud": null, "tail": {"id": "MV-T114", "title": "Hose tail 1 1/4 to 32 mm, DZR", "barbMm": 32, "boreMm": 28, "thread": {"size": "1 1/4", "family": "bspt"}, "material": "bronze", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [{"what": "floor of the lab", "x1Mm": -200, "x2Mm": 260, "y1Mm": 90, "y2Mm": 90}], "wantedDeg": 0, "measuredDeg": 0, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 7190, "yMm": 430, "zMm": -430, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": {"id": "MV-S114", "kind": "flanged", "inlet": {"size": "1 1/4", "family": "bspp", "depthMm": 20}, "title": "Flanged seacock 1 1/4, DZR", "boreMm": 32, "handle": "lever", "outlet": {"size": "1 1/4", "family": "rp", "depthMm": 18}, "flangeMm": 118, "handleMm": 130, "heightMm": 125, "material": "bronze", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": 92}, "wedge": {"blocks": "both", "thinMm": 5, "marginMm": 10}, "family": "seacock", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": 14, "tail": "polysulfide", "ratio": 2, "tempC": 13, "flange": "polysulfide", "thread": "paste", "takenAt": "2026-11-25T13:30:02.332Z", "hardener": null, "surfaceC": 13, "humidityPct": 60, "serviceAgainYears": null}, "boredMm": null, "flowLpm": 30, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-S114", "schemaVersion": 1}', 'short', 'handle-swing', NULL, NULL, 2, '2026-11-27 13:30:02.439+00', '2026-11-27 13:30:02.515+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('9baaa7ac-b399-4679-a0b7-fd556d2d063c', 'fulmars-reach', 'Deck-wash intake, renewed', '{"pad": {"bondMPa": 12, "material": "g10", "diameterMm": 90, "thicknessMm": 10}, "use": "deck-wash", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": {"clips": 2, "bandMm": 13, "boreMm": 20, "belowRated": true}, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": false}, "name": "Deck-wash intake, renewed", "plug": null, "skin": {"id": "MV-D34", "nutMm": 10, "title": "Skin fitting 3/4, DZR, mushroom head", "boreMm": 19, "holeMm": 28, "rootMm": 24.1, "tailMm": 150, "thread": {"size": "3/4", "family": "bspp"}, "proudMm": 7, "collarMm": 0, "flangeMm": 44, "material": "bronze", "tailOdMm": 26.4, "windowMm": [15, 19], "yieldMPa": 150, "leastTotalMm": 12, "greatestTotalMm": null}, "stud": null, "tail": {"id": "MV-T34", "title": "Hose tail 3/4 to 20 mm, DZR", "barbMm": 20, "boreMm": 15, "thread": {"size": "3/4", "family": "bspt"}, "material": "bronze", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 3600, "yMm": 380, "zMm": -450, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": {"id": "MV-BN34", "kind": "screwed", "inlet": {"size": "3/4", "family": "npt", "depthMm": 18}, "title": "Ball valve 3/4, DZR, American taper thread", "boreMm": 19, "handle": "lever", "outlet": {"size": "3/4", "family": "npt", "depthMm": 18}, "flangeMm": 90, "handleMm": 95, "heightMm": 90, "material": "bronze", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": null}, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "screwed-valve", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-B34", "schemaVersion": 1}', 'short', 'kick-tail-bending', NULL, NULL, 2, '2026-11-27 13:30:02.703+00', '2026-11-27 13:30:02.756+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('41b01f97-4d22-475e-b3ab-72c51495febc', 'fulmars-reach', 'Wet-lab overboard drain', '{"pad": {"bondMPa": 12, "material": "glass-epoxy", "diameterMm": 180, "thicknessMm": 18}, "use": "sink-drain", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "A4-70", "method": "insert", "insertMm": 12, "engagedMm": null}, "hose": {"clips": 2, "bandMm": 13, "boreMm": 38, "belowRated": true}, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 19.6, "thicknessMm": 14, "angleMeasured": true}, "name": "Wet-lab overboard drain", "plug": null, "skin": {"id": "MV-C112", "nutMm": 0, "title": "Skin fitting 1 1/2, composite, with load collar", "boreMm": 38, "holeMm": 50, "rootMm": 44.8, "tailMm": 160, "thread": {"size": "1 1/2", "family": "bspp"}, "proudMm": 9, "collarMm": 12, "flangeMm": 72, "material": "composite", "tailOdMm": 47.8, "windowMm": [16, 20], "yieldMPa": 70, "leastTotalMm": 14, "greatestTotalMm": 120}, "stud": null, "tail": {"id": "MV-TC112", "title": "Hose tail 1 1/2 to 38 mm, composite", "barbMm": 38, "boreMm": 34, "thread": {"size": "1 1/2", "family": "bspt"}, "material": "composite", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 7260, "yMm": 660, "zMm": -180, "zone": "Bottom", "measuredFrom": []}, "ticks": {"bore": {"at": "2026-11-27T13:30:42.701Z", "by": "Isa Rendall", "note": "done in the dry"}, "must": {"at": "2026-11-27T13:30:42.053Z", "by": "Isa Rendall", "note": "done in the dry"}, "angle": {"at": "2026-11-27T13:30:42.362Z", "by": "Isa Rendall", "note": "level shows 20° outboard up, cradle -0.39° taken out: 19.6°; done in the dry"}, "survey": {"at": "2026-11-27T13:30:42.224Z", "by": "Isa Rendall", "note": "done in the dry"}, "ready-bore": {"at": "2026-11-27T13:30:42.534Z", "by": "Isa Rendall", "note": "done in the dry"}, "bore-record": {"at": "2026-11-27T13:30:42.848Z", "by": "Isa Rendall", "note": "50 mm; done in the dry"}}, "valve": {"id": "MV-K112", "kind": "flanged", "inlet": {"size": "1 1/2", "family": "bspp", "depthMm": 20}, "title": "Flanged seacock 1 1/2, composite", "boreMm": 38, "handle": "lever", "outlet": {"size": "1 1/2", "family": "rp", "depthMm": 18}, "flangeMm": 130, "handleMm": 150, "heightMm": 140, "material": "composite", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": 104}, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "seacock", "metals": {"anode": null, "water": "salt", "school": "isolate-each", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": 14, "tail": "epoxy-filled", "ratio": 2, "tempC": 13, "flange": "epoxy-filled", "thread": "paste", "takenAt": "2026-11-25T13:30:02.332Z", "hardener": null, "surfaceC": 13, "humidityPct": 60, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": {"at": "2026-11-27T13:30:40.851Z", "by": "Isa Rendall", "what": "1 Skin fitting 1 1/2, composite, with load collar (MV-C112); 1 Flanged seacock 1 1/2, composite (MV-K112); 1 Hose tail 1 1/2 to 38 mm, composite (MV-TC112); hose 38 mm, 2 clips", "reason": ""}, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-K112", "schemaVersion": 1}', 'short', 'handle-swing', NULL, '2026-11-27 13:30:42.848+00', 9, '2026-11-27 13:30:02.583+00', '2026-11-27 13:30:42.867+00', 'Isa Rendall');
INSERT INTO public.hull_fittings VALUES ('b061f0dd-791e-4c4c-92e1-8e9ffa6f9468', 'fulmars-reach', 'Engine intake', '{"pad": null, "use": "engine-intake", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": {"clips": 1, "bandMm": 13, "boreMm": 32, "belowRated": true}, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": false}, "name": "Engine intake", "plug": null, "skin": {"id": "MV-D114", "nutMm": 12, "title": "Skin fitting 1 1/4, DZR, mushroom head", "boreMm": 32, "holeMm": 44, "rootMm": 38.9, "tailMm": 150, "thread": {"size": "1 1/4", "family": "bspp"}, "proudMm": 7, "collarMm": 0, "flangeMm": 64, "material": "bronze", "tailOdMm": 41.9, "windowMm": [15, 19], "yieldMPa": 150, "leastTotalMm": 12, "greatestTotalMm": null}, "stud": null, "tail": {"id": "MV-T114", "title": "Hose tail 1 1/4 to 32 mm, DZR", "barbMm": 32, "boreMm": 28, "thread": {"size": "1 1/4", "family": "bspt"}, "material": "bronze", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 6900, "yMm": -420, "zMm": -420, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": {"id": "MV-BT114", "kind": "screwed", "inlet": {"size": "1 1/4", "family": "bspt", "depthMm": 19}, "title": "Ball valve 1 1/4, pipe-taper thread", "boreMm": 32, "handle": "lever", "outlet": {"size": "1 1/4", "family": "bspt", "depthMm": 18}, "flangeMm": 118, "handleMm": 130, "heightMm": 125, "material": "brass", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": null}, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "screwed-valve", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": 43, "flowLpm": null, "ordered": null, "existing": true, "findings": ["mixed-threads", "yellow-brass", "seized", "one-clip"], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-B114", "schemaVersion": 1}', 'short', 'joint-skin-valve', NULL, '2026-11-27 13:30:02.85+00', 2, '2026-11-27 13:30:02.809+00', '2026-11-27 13:30:02.867+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('0518b47a-b714-43a3-81cf-8e3b6ebbe8b8', 'fulmars-reach', 'Echo-sounder', '{"pad": null, "use": "instrument", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": null, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": true}, "name": "Echo-sounder", "plug": null, "skin": {"id": "MV-E55", "nutMm": 14, "title": "Transducer, bronze housing", "boreMm": 0, "holeMm": 53, "rootMm": null, "tailMm": 80, "thread": null, "proudMm": 5, "collarMm": 0, "flangeMm": 76, "material": "bronze", "tailOdMm": 51, "windowMm": [2, 60], "yieldMPa": 150, "leastTotalMm": 8, "greatestTotalMm": 55}, "stud": null, "tail": null, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 4700, "yMm": 320, "zMm": -480, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": null, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "transducer", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": 14, "tail": "polysulfide", "ratio": 2, "tempC": 13, "flange": "polysulfide", "thread": "paste", "takenAt": "2026-11-25T13:30:02.332Z", "hardener": null, "surfaceC": 13, "humidityPct": 60, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": {"kind": "tilted", "arrow": "keel", "tiltsDeg": [0, 12, 20], "waterDepthM": 10}, "catalogueId": "MV-E55", "schemaVersion": 1}', 'unproven', 'bond-path', NULL, NULL, 2, '2026-11-27 13:30:02.923+00', '2026-11-27 13:30:02.975+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('05226a99-5249-4e76-9176-879a26bd0f75', 'fulmars-reach', 'Current profiler', '{"pad": null, "use": "instrument", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": null, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": false}, "name": "Current profiler", "plug": null, "skin": {"id": null, "nutMm": 14, "title": "Profiler, bronze housing, long tail", "boreMm": 0, "holeMm": 92, "rootMm": null, "tailMm": 140, "thread": null, "proudMm": 8, "collarMm": 0, "flangeMm": 130, "material": "bronze", "tailOdMm": 90, "windowMm": [2, 60], "yieldMPa": 150, "leastTotalMm": 8, "greatestTotalMm": 130}, "stud": null, "tail": null, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 5400, "yMm": -300, "zMm": -480, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": null, "wedge": {"blocks": "both", "thinMm": 5, "marginMm": 10}, "family": "transducer", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": {"kind": "flat", "arrow": "forward", "tiltsDeg": [0], "waterDepthM": 10}, "catalogueId": "MV-E90", "schemaVersion": 1}', 'unproven', 'bond-path', NULL, NULL, 2, '2026-11-27 13:30:03.026+00', '2026-11-27 13:30:03.083+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('6ffc46e6-3547-4e3a-8738-f02850b3a122', 'fulmars-reach', 'Garboard drain', '{"pad": {"bondMPa": 12, "material": "g10", "diameterMm": 120, "thicknessMm": 10}, "use": "drain", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "through", "insertMm": null, "engagedMm": null}, "hose": null, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 12, "thicknessMm": 14, "angleMeasured": true}, "name": "Garboard drain", "plug": {"block": true, "choke": true, "flush": true, "grounds": true, "throughBolted": true}, "skin": {"id": "MV-G25", "nutMm": 0, "title": "Garboard drain 25 mm", "boreMm": 25, "holeMm": 32, "rootMm": null, "tailMm": 40, "thread": null, "proudMm": 3, "collarMm": 0, "flangeMm": 76, "material": "bronze", "tailOdMm": 30, "windowMm": [0, 40], "yieldMPa": 150, "leastTotalMm": 8, "greatestTotalMm": 55}, "stud": null, "tail": null, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 10900, "yMm": 90, "zMm": -330, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": null, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "drain-plug", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-G25", "schemaVersion": 1}', 'unproven', 'bond-path', NULL, NULL, 2, '2026-11-27 13:30:03.141+00', '2026-11-27 13:30:03.201+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('427665b3-ce23-4add-a295-8fba637ca169', 'fulmars-reach', 'Anode stud, shaft', '{"pad": null, "use": "protection", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": null, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 12, "thicknessMm": 14, "angleMeasured": true}, "name": "Anode stud, shaft", "plug": null, "skin": {"id": "MV-A10", "nutMm": 16, "title": "Anode stud M10", "boreMm": 0, "holeMm": 11.5, "rootMm": null, "tailMm": 90, "thread": null, "proudMm": 35, "collarMm": 0, "flangeMm": 30, "material": "bronze", "tailOdMm": 10, "windowMm": [2, 60], "yieldMPa": 150, "leastTotalMm": 8, "greatestTotalMm": 55}, "stud": {"wired": true, "protects": "shaft and propeller", "spannerRoom": true, "clearOfBilge": true}, "tail": null, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 10300, "yMm": 150, "zMm": -380, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": null, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "anode-stud", "metals": {"anode": {"alloy": "zinc", "years": 1, "finish": "bare-bronze", "pieceKg": 1.2, "wettedM2": 0.35}, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-A10", "schemaVersion": 1}', 'unproven', 'dew-point', NULL, '2026-11-27 13:30:03.559+00', 2, '2026-11-27 13:30:03.264+00', '2026-11-27 13:30:03.333+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('40bbe732-4be7-41f3-91dd-99e294f6cf48', 'tarn-runner', 'Sea-water intake', '{"pad": null, "use": "engine-intake", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "A4-70", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": {"clips": 2, "bandMm": 13, "boreMm": 32, "belowRated": true}, "hull": {"how": "ultrasonic", "kind": "aluminium", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 8, "thicknessMm": 6, "angleMeasured": true}, "name": "Sea-water intake", "plug": null, "skin": {"id": "MV-W114", "nutMm": 0, "title": "Stub, aluminium 5083, welded", "boreMm": 32, "holeMm": 44, "rootMm": 38.9, "tailMm": 110, "thread": {"size": "1 1/4", "family": "bspp"}, "proudMm": 7, "collarMm": 0, "flangeMm": 64, "material": "aluminium", "tailOdMm": 41.9, "windowMm": [16, 20], "yieldMPa": 115, "leastTotalMm": 12, "greatestTotalMm": null}, "stud": null, "tail": {"id": "MV-TC114", "title": "Hose tail 1 1/4 to 32 mm, composite", "barbMm": 32, "boreMm": 28, "thread": {"size": "1 1/4", "family": "bspt"}, "material": "composite", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 5600, "yMm": 350, "zMm": -280, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": {"id": "MV-KB114", "kind": "screwed", "inlet": {"size": "1 1/4", "family": "bspp", "depthMm": 20}, "title": "Ball valve 1 1/4, composite", "boreMm": 32, "handle": "lever", "outlet": {"size": "1 1/4", "family": "rp", "depthMm": 18}, "flangeMm": 118, "handleMm": 130, "heightMm": 125, "material": "composite", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": null}, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "welded-stub", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "hybrid", "ratio": 2, "tempC": 16, "flange": "hybrid", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-W114", "schemaVersion": 1}', 'unproven', 'clocked', NULL, NULL, 1, '2026-11-27 13:30:03.393+00', '2026-11-27 13:30:03.393+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('0768f141-8ef5-4bba-a47c-efea3eb2bb79', 'pipit', 'Drain socket, transom', '{"pad": {"bondMPa": 12, "material": "g10", "diameterMm": 100, "thicknessMm": 10}, "use": "drain", "asks": {}, "duty": "sheltered", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "through", "insertMm": null, "engagedMm": null}, "hose": null, "hull": {"how": "", "kind": "solid", "solidMm": null, "measured": false, "slopeDeg": 0, "deadriseDeg": 0, "thicknessMm": 12, "angleMeasured": false}, "name": "Drain socket, transom", "plug": {"block": true, "choke": true, "flush": true, "grounds": true, "throughBolted": true}, "skin": {"id": "MV-G20T", "nutMm": 0, "title": "Transom drain socket 20 mm", "boreMm": 20, "holeMm": 27, "rootMm": null, "tailMm": 40, "thread": null, "proudMm": 3, "collarMm": 0, "flangeMm": 60, "material": "stainless", "tailOdMm": 25, "windowMm": [0, 40], "yieldMPa": 205, "leastTotalMm": 8, "greatestTotalMm": 55}, "stud": null, "tail": null, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 6350, "yMm": 0, "zMm": 60, "zone": null, "measuredFrom": []}, "ticks": {}, "valve": null, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "drain-plug", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": true}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": null, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": null, "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-G20T", "schemaVersion": 1}', 'unproven', 'dew-point', NULL, NULL, 2, '2026-11-27 13:30:03.425+00', '2026-11-27 13:30:03.444+00', 'Tam Corrigall');
INSERT INTO public.hull_fittings VALUES ('619c079f-c25c-4c3c-8494-f864f854a28e', 'fulmars-reach', 'Engine intake, renewed', '{"pad": {"bondMPa": 12, "material": "g10", "diameterMm": 110, "thicknessMm": 10}, "use": "engine-intake", "asks": {}, "duty": "coastal", "hold": {"size": "M8", "bolts": 3, "grade": "silicon-bronze", "method": "nut", "insertMm": null, "engagedMm": null}, "hose": {"clips": 2, "bandMm": 13, "boreMm": 32, "belowRated": true}, "hull": {"how": "drilled plug", "kind": "solid", "solidMm": null, "measured": true, "slopeDeg": 0, "deadriseDeg": 17, "thicknessMm": 14, "angleMeasured": false}, "name": "Engine intake, renewed", "plug": null, "skin": {"id": "MV-D114", "nutMm": 12, "title": "Skin fitting 1 1/4, DZR, mushroom head", "boreMm": 32, "holeMm": 44, "rootMm": 38.9, "tailMm": 150, "thread": {"size": "1 1/4", "family": "bspp"}, "proudMm": 7, "collarMm": 0, "flangeMm": 64, "material": "bronze", "tailOdMm": 41.9, "windowMm": [15, 19], "yieldMPa": 150, "leastTotalMm": 12, "greatestTotalMm": null}, "stud": null, "tail": {"id": "MV-T114", "title": "Hose tail 1 1/4 to 32 mm, DZR", "barbMm": 32, "boreMm": 28, "thread": {"size": "1 1/4", "family": "bspt"}, "material": "bronze", "engagedMm": 14, "barbLengthMm": 45}, "chest": null, "clock": {"ignored": [], "obstacles": [], "wantedDeg": 0, "measuredDeg": null, "toleranceDeg": 5}, "drain": null, "place": {"xMm": 6900, "yMm": -420, "zMm": -420, "zone": "Bottom", "measuredFrom": []}, "ticks": {}, "valve": {"id": "MV-B114", "kind": "screwed", "inlet": {"size": "1 1/4", "family": "bspp", "depthMm": 20}, "title": "Ball valve 1 1/4, DZR, parallel thread", "boreMm": 32, "handle": "lever", "outlet": {"size": "1 1/4", "family": "rp", "depthMm": 18}, "flangeMm": 118, "handleMm": 130, "heightMm": 125, "material": "bronze", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": null}, "wedge": {"blocks": "none", "thinMm": 5, "marginMm": 10}, "family": "screwed-valve", "metals": {"anode": null, "water": "salt", "school": "bond-all", "isolated": false}, "bedding": {"pad": "epoxy-filled", "airC": null, "tail": "polysulfide", "ratio": 2, "tempC": 16, "flange": "polysulfide", "thread": "paste", "takenAt": "", "hardener": null, "surfaceC": null, "humidityPct": 65, "serviceAgainYears": null}, "boredMm": 43, "flowLpm": null, "ordered": null, "existing": false, "findings": [], "replaces": "Engine intake", "beddingMm": 1, "heeledDeg": 20, "taperPlug": null, "dutyReason": null, "transducer": null, "catalogueId": "MV-B114", "schemaVersion": 1}', 'short', 'handle-swing', 'b061f0dd-791e-4c4c-92e1-8e9ffa6f9468', NULL, 1, '2026-11-27 13:30:41.075+00', '2026-11-27 13:30:41.075+00', 'Isa Rendall');


--
-- Data for Name: hull_goods; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.hull_goods VALUES ('OWN-V1', 'valve', '{"id": "OWN-V1", "kind": "screwed", "inlet": {"size": "3/4", "family": "bspp", "depthMm": 20}, "title": "Ball valve of the harbour store", "boreMm": 19, "handle": "lever", "outlet": {"size": "3/4", "family": "rp", "depthMm": 18}, "flangeMm": 90, "handleMm": 95, "heightMm": 90, "material": "bronze", "sweepDeg": 90, "engagedMm": null, "boltCircleMm": null}', 'Isa Rendall', '2026-11-27 13:30:41.93+00');


--
-- Data for Name: hull_log; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.hull_log VALUES (1, '427665b3-ce23-4add-a295-8fba637ca169', 'bond', 0.06, 'stud to shaft, brush clean', 'Tam Corrigall', '2026-11-27 13:30:03.462+00', '', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (2, '41b01f97-4d22-475e-b3ab-72c51495febc', 'order', NULL, '1 Skin fitting 1 1/2, composite, with load collar (MV-C112); 1 Flanged seacock 1 1/2, composite (MV-K112); 1 Hose tail 1 1/2 to 38 mm, composite (MV-TC112); hose 38 mm, 2 clips', 'Isa Rendall', '2026-11-27 13:30:40.851+00', '', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (3, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.053+00', 'must', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (4, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.224+00', 'survey', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (5, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'level shows 20° outboard up, cradle -0.39° taken out: 19.6°; done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.362+00', 'angle', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (6, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'seen: its place is measured from two things that will still be there; seen: no wire, tank, pipe, floor or frame stands behind it; batteries are off; seen: the pilot came out where it should; done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.534+00', 'ready-bore', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (7, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.701+00', 'bore', NULL, NULL, NULL, NULL);
INSERT INTO public.hull_log VALUES (8, '41b01f97-4d22-475e-b3ab-72c51495febc', 'tick', NULL, 'done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.848+00', 'bore-record', NULL, NULL, NULL, 50);


--
-- Data for Name: life_events; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.life_events VALUES (1, 1, 1, 'suspect', 'Age unknown. wet to a knife point; bolt cut off flush.', 'Isa Rendall', '2026-10-18 13:29:50.91+00', '2026-11-27 13:29:50.91+00', 13, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (2, 2, 1, 'suspect', 'Age unknown. soft filler, unbonded.', 'Isa Rendall', '2026-10-19 13:29:50.919+00', '2026-11-27 13:29:50.919+00', 13, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (3, 3, 1, 'suspect', 'Age unknown. core dark when probed.', 'Isa Rendall', '2026-10-20 13:29:50.924+00', '2026-11-27 13:29:50.925+00', 13, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (4, 4, 1, 'suspect', 'Age unknown. oval, 14.5 by 12.', 'Isa Rendall', '2026-10-21 13:29:50.932+00', '2026-11-27 13:29:50.932+00', 14.5, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (5, 5, 1, 'suspect', 'Age unknown. weeps after rain.', 'Isa Rendall', '2026-10-22 13:29:50.94+00', '2026-11-27 13:29:50.94+00', 13, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (6, 6, 1, 'closed', 'Age unknown. bevel 12:1, eight plies, faired.', 'Isa Rendall', '2026-10-23 13:29:50.945+00', '2026-11-27 13:29:50.945+00', 13, NULL, NULL, NULL, 'bevel 12:1, eight plies, faired', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (7, 7, 1, 'closed', 'Age unknown. bevel 12:1, filled and faired.', 'Isa Rendall', '2026-10-24 13:29:50.95+00', '2026-11-27 13:29:50.95+00', 6.5, NULL, NULL, NULL, 'bevel 12:1, filled and faired', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (8, 8, 1, 'closed', 'Age unknown. bevel 12:1, filled and faired.', 'Isa Rendall', '2026-10-25 13:29:50.955+00', '2026-11-27 13:29:50.955+00', 6.5, NULL, NULL, NULL, 'bevel 12:1, filled and faired', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (9, 9, 1, 'suspect', 'Age unknown. cut-off rivet, rust weep.', 'Isa Rendall', '2026-10-26 13:29:50.96+00', '2026-11-27 13:29:50.96+00', 6.5, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (10, 10, 1, 'suspect', 'Age unknown. cut-off rivet.', 'Isa Rendall', '2026-10-27 13:29:50.964+00', '2026-11-27 13:29:50.964+00', 6.5, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (11, 11, 1, 'suspect', 'Age unknown. filled with soft sealant.', 'Isa Rendall', '2026-10-28 13:29:50.972+00', '2026-11-27 13:29:50.972+00', 6.5, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (12, 12, 1, 'suspect', 'Age unknown. handle seized; mixed threads at the valve.', 'Isa Rendall', '2026-10-29 13:29:50.976+00', '2026-11-27 13:29:50.977+00', 43, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (13, 13, 1, 'in service', 'Age unknown. found sound.', 'Isa Rendall', '2026-10-30 13:29:50.981+00', '2026-11-27 13:29:50.981+00', 33, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (14, 14, 1, 'in service', 'Age unknown. found sound.', 'Isa Rendall', '2026-10-31 13:29:50.986+00', '2026-11-27 13:29:50.986+00', 57, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (15, 15, 1, 'in service', 'Age unknown. found sound.', 'Isa Rendall', '2026-11-01 13:29:50.991+00', '2026-11-27 13:29:50.991+00', 43, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (16, 16, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:54.476+00', '2026-11-27 13:29:54.491+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (17, 17, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:54.476+00', '2026-11-27 13:29:54.498+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (18, 18, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:54.476+00', '2026-11-27 13:29:54.502+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (19, 19, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:54.476+00', '2026-11-27 13:29:54.506+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (20, 16, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:54.476+00', '2026-11-27 13:29:54.516+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (21, 16, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:54.476+00', '2026-11-27 13:29:54.526+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (22, 16, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:54.476+00', '2026-11-27 13:29:54.529+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (23, 17, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:54.476+00', '2026-11-27 13:29:54.534+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (24, 17, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:54.476+00', '2026-11-27 13:29:54.542+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (25, 17, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:54.476+00', '2026-11-27 13:29:54.546+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (26, 18, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:54.476+00', '2026-11-27 13:29:54.548+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (27, 18, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:54.476+00', '2026-11-27 13:29:54.551+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (28, 18, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:54.476+00', '2026-11-27 13:29:54.555+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (29, 19, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:54.476+00', '2026-11-27 13:29:54.557+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (30, 19, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:54.476+00', '2026-11-27 13:29:54.559+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (31, 19, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:54.476+00', '2026-11-27 13:29:54.56+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (32, 20, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:55.565+00', '2026-11-27 13:29:55.577+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (33, 21, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:55.565+00', '2026-11-27 13:29:55.582+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (34, 22, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:55.565+00', '2026-11-27 13:29:55.586+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (35, 23, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:55.565+00', '2026-11-27 13:29:55.596+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (36, 20, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:55.565+00', '2026-11-27 13:29:55.606+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (37, 20, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:55.565+00', '2026-11-27 13:29:55.61+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (38, 20, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:55.565+00', '2026-11-27 13:29:55.612+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (39, 20, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:55.565+00', '2026-11-27 13:29:55.614+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (40, 20, 6, 'cured', '', 'Tam Corrigall', '2026-11-16 13:29:55.565+00', '2026-11-27 13:29:55.616+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (41, 20, 7, 'proved', '', 'Tam Corrigall', '2026-11-18 13:29:55.565+00', '2026-11-27 13:29:55.619+00', NULL, NULL, NULL, NULL, 'hose 10 min, low to high; chalk inside dry', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (42, 20, 8, 'in service', '', 'Tam Corrigall', '2026-11-21 13:29:55.565+00', '2026-11-27 13:29:55.624+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (43, 21, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:55.565+00', '2026-11-27 13:29:55.626+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (44, 21, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:55.565+00', '2026-11-27 13:29:55.627+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (45, 21, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:55.565+00', '2026-11-27 13:29:55.629+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (46, 21, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:55.565+00', '2026-11-27 13:29:55.631+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (47, 21, 6, 'cured', '', 'Tam Corrigall', '2026-11-16 13:29:55.565+00', '2026-11-27 13:29:55.633+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (48, 21, 7, 'proved', '', 'Tam Corrigall', '2026-11-18 13:29:55.565+00', '2026-11-27 13:29:55.635+00', NULL, NULL, NULL, NULL, 'hose 10 min, low to high; chalk inside dry', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (49, 21, 8, 'in service', '', 'Tam Corrigall', '2026-11-21 13:29:55.565+00', '2026-11-27 13:29:55.636+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (50, 22, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:55.565+00', '2026-11-27 13:29:55.638+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (51, 22, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:55.565+00', '2026-11-27 13:29:55.641+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (52, 22, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:55.565+00', '2026-11-27 13:29:55.643+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (53, 22, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:55.565+00', '2026-11-27 13:29:55.645+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (54, 22, 6, 'cured', '', 'Tam Corrigall', '2026-11-16 13:29:55.565+00', '2026-11-27 13:29:55.647+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (55, 22, 7, 'proved', '', 'Tam Corrigall', '2026-11-18 13:29:55.565+00', '2026-11-27 13:29:55.649+00', NULL, NULL, NULL, NULL, 'hose 10 min, low to high; chalk inside dry', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (56, 22, 8, 'in service', '', 'Tam Corrigall', '2026-11-21 13:29:55.565+00', '2026-11-27 13:29:55.651+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (57, 23, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:55.565+00', '2026-11-27 13:29:55.653+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (58, 23, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:55.565+00', '2026-11-27 13:29:55.655+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (59, 23, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:55.565+00', '2026-11-27 13:29:55.657+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (60, 23, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:55.565+00', '2026-11-27 13:29:55.659+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (61, 23, 6, 'cured', '', 'Tam Corrigall', '2026-11-16 13:29:55.565+00', '2026-11-27 13:29:55.661+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (62, 23, 7, 'proved', '', 'Tam Corrigall', '2026-11-18 13:29:55.565+00', '2026-11-27 13:29:55.663+00', NULL, NULL, NULL, NULL, 'hose 10 min, low to high; chalk inside dry', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (63, 23, 8, 'in service', '', 'Tam Corrigall', '2026-11-21 13:29:55.565+00', '2026-11-27 13:29:55.665+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (82, 34, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.942+00', '2026-11-27 13:29:58.951+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (83, 35, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.942+00', '2026-11-27 13:29:58.955+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (84, 36, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.942+00', '2026-11-27 13:29:58.959+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (85, 37, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.942+00', '2026-11-27 13:29:58.962+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (86, 34, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:58.942+00', '2026-11-27 13:29:58.969+00', 6.6, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (87, 34, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:58.942+00', '2026-11-27 13:29:58.97+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (88, 34, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:58.942+00', '2026-11-27 13:29:58.972+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (89, 34, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:58.942+00', '2026-11-27 13:29:58.973+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (90, 35, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:58.942+00', '2026-11-27 13:29:58.978+00', 6.6, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (91, 35, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:58.942+00', '2026-11-27 13:29:58.98+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (92, 35, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:58.942+00', '2026-11-27 13:29:58.981+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (93, 35, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:58.942+00', '2026-11-27 13:29:58.985+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (94, 36, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:58.942+00', '2026-11-27 13:29:58.987+00', 6.6, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (95, 36, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:58.942+00', '2026-11-27 13:29:58.989+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (96, 36, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:58.942+00', '2026-11-27 13:29:58.991+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (97, 36, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:58.942+00', '2026-11-27 13:29:58.993+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (98, 37, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:58.942+00', '2026-11-27 13:29:58.995+00', 6.6, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (99, 37, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:58.942+00', '2026-11-27 13:29:58.996+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (100, 37, 4, 'dry fitted', 'taken off again until the paint is done', 'Tam Corrigall', '2026-11-11 13:29:58.942+00', '2026-11-27 13:29:58.999+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (101, 37, 5, 'bedded', '', 'Tam Corrigall', '2026-11-13 13:29:58.942+00', '2026-11-27 13:29:59+00', NULL, 14, 62, 1, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (64, 24, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:56.472+00', '2026-11-27 13:29:56.48+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (65, 25, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:56.472+00', '2026-11-27 13:29:56.484+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (66, 26, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:56.472+00', '2026-11-27 13:29:56.487+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (67, 27, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:56.472+00', '2026-11-27 13:29:56.491+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (68, 24, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:56.472+00', '2026-11-27 13:29:56.498+00', 11, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (69, 24, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:56.472+00', '2026-11-27 13:29:56.5+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (70, 25, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:56.472+00', '2026-11-27 13:29:56.503+00', 11, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (71, 25, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:56.472+00', '2026-11-27 13:29:56.505+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (72, 26, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:56.472+00', '2026-11-27 13:29:56.507+00', 11, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (73, 26, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:56.472+00', '2026-11-27 13:29:56.508+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (74, 27, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:29:56.472+00', '2026-11-27 13:29:56.51+00', 11, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (75, 27, 3, 'core sealed', '', 'Tam Corrigall', '2026-11-08 13:29:56.472+00', '2026-11-27 13:29:56.512+00', NULL, 14, NULL, 6, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (76, 28, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.428+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (77, 29, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.435+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (78, 30, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.439+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (79, 31, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.442+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (80, 32, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.444+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (81, 33, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:29:58.413+00', '2026-11-27 13:29:58.446+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (102, 38, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:30:00.367+00', '2026-11-27 13:30:00.377+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (103, 39, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:30:00.367+00', '2026-11-27 13:30:00.382+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (104, 40, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:30:00.367+00', '2026-11-27 13:30:00.386+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (105, 41, 1, 'marked', '', 'Tam Corrigall', '2026-11-03 13:30:00.367+00', '2026-11-27 13:30:00.39+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (106, 38, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:30:00.367+00', '2026-11-27 13:30:00.399+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (107, 39, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:30:00.367+00', '2026-11-27 13:30:00.402+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (108, 40, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:30:00.367+00', '2026-11-27 13:30:00.404+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (109, 41, 2, 'drilled', '', 'Tam Corrigall', '2026-11-06 13:30:00.367+00', '2026-11-27 13:30:00.406+00', 9, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (110, 42, 1, 'marked', 'square to a hull of 12°; held by its nut', 'Tam Corrigall', '2026-11-27 13:30:03.559+00', '2026-11-27 13:30:03.566+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (111, 43, 1, 'suspect', 'Age unknown. oval hole.', 'Isa Rendall', '2026-11-27 13:30:41.04+00', '2026-11-27 13:30:41.04+00', 14, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (112, 44, 1, 'marked', 'handle open at 0° (0 aft, 90 to starboard, seen from inside), shut at 90°; square to a hull of 19.6°; 3 M8 into the pad, flange 130 mm', 'Isa Rendall', '2026-11-27 13:30:42.848+00', '2026-11-27 13:30:42.859+00', NULL, NULL, NULL, NULL, '', '{}', NULL, NULL);
INSERT INTO public.life_events VALUES (113, 44, 2, 'drilled', 'done in the dry', 'Isa Rendall', '2026-11-27 13:30:42.848+00', '2026-11-27 13:30:42.864+00', 50, NULL, NULL, NULL, '', '{}', NULL, NULL);


--
-- Data for Name: lots; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.lots VALUES (1, 'TC-B20-114', 'Butyl tape, 20 mm', 'butyl', 'sealant', '2026-10-28', '2029-05-15', false, '11 m', NULL, '');
INSERT INTO public.lots VALUES (2, 'TC-PM-0387', 'Polyurethane, medium hold, 300 ml', 'pu-medium', 'sealant', NULL, '2026-12-06', false, '3 tubes', NULL, '');
INSERT INTO public.lots VALUES (3, 'TC-PM-0290', 'Polyurethane, medium hold, 300 ml', 'pu-medium', 'sealant', '2026-05-11', '2026-10-17', false, '1 tube', NULL, '');
INSERT INTO public.lots VALUES (4, 'TC-HY-0512', 'Silyl-modified polymer, 300 ml', 'hybrid', 'sealant', NULL, '2027-08-14', false, '6 tubes', NULL, '');
INSERT INTO public.lots VALUES (5, 'TC-PS-0066', 'Polysulfide, 300 ml', 'polysulfide', 'sealant', NULL, '2027-03-27', true, '2 tubes', NULL, '');
INSERT INTO public.lots VALUES (6, 'TC-EP-2201', 'Epoxy 2:1 with slow and fast hardener', 'epoxy', 'epoxy', '2026-11-15', '2027-10-13', false, '4 kg', NULL, '');
INSERT INTO public.lots VALUES (7, 'TC-EP-2054', 'Epoxy 2:1, old drum', 'epoxy', 'epoxy', '2025-10-23', '2026-11-07', false, '1 kg', NULL, '');


--
-- Data for Name: migrations; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.migrations VALUES ('001-first', '2026-11-27 13:29:50.390688+00');
INSERT INTO public.migrations VALUES ('002-yard-values', '2026-11-27 13:29:50.447242+00');
INSERT INTO public.migrations VALUES ('003-yard-kinds', '2026-11-27 13:29:50.4548+00');
INSERT INTO public.migrations VALUES ('004-survey', '2026-11-27 13:29:50.460734+00');
INSERT INTO public.migrations VALUES ('005-hardware', '2026-11-27 13:29:50.489997+00');
INSERT INTO public.migrations VALUES ('006-solver', '2026-11-27 13:29:50.500278+00');
INSERT INTO public.migrations VALUES ('007-below', '2026-11-27 13:29:50.504818+00');
INSERT INTO public.migrations VALUES ('008-hull-log', '2026-11-27 13:29:50.52219+00');
INSERT INTO public.migrations VALUES ('009-hull-goods', '2026-11-27 13:29:50.527914+00');
INSERT INTO public.migrations VALUES ('010-hull-decisions', '2026-11-27 13:29:50.532551+00');


--
-- Data for Name: outline_stations; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.outline_stations VALUES ('fulmars-reach', 0, 20, 1720, 1500);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 300, 420, 1695, 700);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 700, 745, 1665, 120);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 1200, 1055, 1630, -330);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 1900, 1370, 1585, -470);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 3000, 1670, 1525, -540);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 4500, 1815, 1460, -590);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 6000, 1850, 1420, -600);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 8000, 1840, 1390, -560);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 10000, 1745, 1375, -470);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 11300, 1640, 1370, -380);
INSERT INTO public.outline_stations VALUES ('fulmars-reach', 11800, 1590, 1370, -340);
INSERT INTO public.outline_stations VALUES ('pipit', 0, 15, 720, 500);
INSERT INTO public.outline_stations VALUES ('pipit', 600, 420, 690, 40);
INSERT INTO public.outline_stations VALUES ('pipit', 1500, 760, 650, -160);
INSERT INTO public.outline_stations VALUES ('pipit', 2800, 1010, 610, -220);
INSERT INTO public.outline_stations VALUES ('pipit', 4200, 1060, 590, -220);
INSERT INTO public.outline_stations VALUES ('pipit', 5600, 960, 585, -170);
INSERT INTO public.outline_stations VALUES ('pipit', 6400, 860, 585, -120);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 0, 700, 1080, 560);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 500, 1040, 1040, -60);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 1400, 1240, 990, -320);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 3000, 1300, 930, -380);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 5500, 1300, 900, -380);
INSERT INTO public.outline_stations VALUES ('tarn-runner', 8100, 1260, 890, -330);


--
-- Data for Name: penetrations; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.penetrations VALUES (1, 'fulmars-reach', 1, NULL, NULL, 'Old net-hauler, hole 1', 'Working deck', 8650, -700, 1150, 13, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.903+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (2, 'fulmars-reach', 2, NULL, NULL, 'Old net-hauler, hole 2', 'Working deck', 8650, -980, 1150, 13, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.915+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (3, 'fulmars-reach', 3, NULL, NULL, 'Old net-hauler, hole 3', 'Working deck', 9220, -700, 1150, 13, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.922+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (4, 'fulmars-reach', 4, NULL, NULL, 'Old net-hauler, hole 4', 'Working deck', 9220, -980, 1150, 14.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.927+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (5, 'fulmars-reach', 5, NULL, NULL, 'Old net-hauler, hole 5', 'Working deck', 9700, -840, 1150, 13, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.934+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (6, 'fulmars-reach', 6, NULL, NULL, 'Old net-hauler, hole 6', 'Working deck', 8650, 760, 1150, 13, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.942+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (7, 'fulmars-reach', 7, NULL, NULL, 'Old rail, hole 1', 'Side deck, port', 4020, -1600, 1440, 6.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.947+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (8, 'fulmars-reach', 8, NULL, NULL, 'Old rail, hole 2', 'Side deck, port', 4640, -1640, 1440, 6.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.952+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (9, 'fulmars-reach', 9, NULL, NULL, 'Old rail, hole 3', 'Side deck, port', 5260, -1650, 1440, 6.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.957+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (10, 'fulmars-reach', 10, NULL, NULL, 'Old rail, hole 4', 'Side deck, port', 5880, -1655, 1440, 6.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.962+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (11, 'fulmars-reach', 11, NULL, NULL, 'Old rail, hole 5', 'Side deck, port', 6500, -1655, 1440, 6.5, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.969+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (13, 'fulmars-reach', 13, NULL, NULL, 'Deck wash intake', 'Bottom', 3600, 380, -450, 33, 'as found', '', '', 'none', NULL, true, true, '2026-11-27 13:29:50.979+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (14, 'fulmars-reach', 14, NULL, NULL, 'Echo-sounder, old', 'Bottom', 5100, 300, -480, 57, 'as found', '', '', 'none', NULL, true, true, '2026-11-27 13:29:50.984+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (15, 'fulmars-reach', 15, NULL, NULL, 'Cockpit drain, port', 'Topsides', 8800, -1700, 260, 43, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:29:50.989+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (16, 'fulmars-reach', 16, '30755599-2265-4c4e-9ddd-465af44aa068', 0, 'Mooring cleat, port quarter, bolt 1', 'Working deck', 10885, -1400, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:54.488+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (17, 'fulmars-reach', 17, '30755599-2265-4c4e-9ddd-465af44aa068', 1, 'Mooring cleat, port quarter, bolt 2', 'Working deck', 10995, -1400, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:54.495+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (18, 'fulmars-reach', 18, '30755599-2265-4c4e-9ddd-465af44aa068', 2, 'Mooring cleat, port quarter, bolt 3', 'Working deck', 10995, -1360, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:54.5+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (19, 'fulmars-reach', 19, '30755599-2265-4c4e-9ddd-465af44aa068', 3, 'Mooring cleat, port quarter, bolt 4', 'Working deck', 10885, -1360, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:54.504+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (20, 'fulmars-reach', 20, '06d96400-e96a-46c2-adb6-2519aa1bce71', 0, 'Mooring cleat, starboard quarter, bolt 1', 'Working deck', 10885, 1360, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:55.572+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (21, 'fulmars-reach', 21, '06d96400-e96a-46c2-adb6-2519aa1bce71', 1, 'Mooring cleat, starboard quarter, bolt 2', 'Working deck', 10995, 1360, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:55.58+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (22, 'fulmars-reach', 22, '06d96400-e96a-46c2-adb6-2519aa1bce71', 2, 'Mooring cleat, starboard quarter, bolt 3', 'Working deck', 10995, 1400, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:55.584+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (23, 'fulmars-reach', 23, '06d96400-e96a-46c2-adb6-2519aa1bce71', 3, 'Mooring cleat, starboard quarter, bolt 4', 'Working deck', 10885, 1400, 1150, 9, 'outer skin 5 mm, insert 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:55.593+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (24, 'fulmars-reach', 24, 'e9e17447-da34-4d29-b17a-fe2748fbc1b2', 0, 'Gallows foot plate, starboard, bolt 1', 'Working deck', 9515, 585, 1150, 11, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M10 316 stainless A4-70', '', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:56.478+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (25, 'fulmars-reach', 25, 'e9e17447-da34-4d29-b17a-fe2748fbc1b2', 1, 'Gallows foot plate, starboard, bolt 2', 'Working deck', 9685, 585, 1150, 11, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M10 316 stainless A4-70', '', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:56.482+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (26, 'fulmars-reach', 26, 'e9e17447-da34-4d29-b17a-fe2748fbc1b2', 2, 'Gallows foot plate, starboard, bolt 3', 'Working deck', 9685, 695, 1150, 11, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M10 316 stainless A4-70', '', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:56.486+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (27, 'fulmars-reach', 27, 'e9e17447-da34-4d29-b17a-fe2748fbc1b2', 3, 'Gallows foot plate, starboard, bolt 4', 'Working deck', 9515, 695, 1150, 11, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M10 316 stainless A4-70', '', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:56.489+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (28, 'fulmars-reach', 28, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 0, 'Sampling winch base, bolt 1', 'Working deck', 8119.282, 40, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.425+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (29, 'fulmars-reach', 29, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 1, 'Sampling winch base, bolt 2', 'Working deck', 8050, 80, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.431+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (30, 'fulmars-reach', 30, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 2, 'Sampling winch base, bolt 3', 'Working deck', 7980.718, 40, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.437+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (31, 'fulmars-reach', 31, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 3, 'Sampling winch base, bolt 4', 'Working deck', 7980.718, -40, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.44+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (32, 'fulmars-reach', 32, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 4, 'Sampling winch base, bolt 5', 'Working deck', 8050, -80, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.443+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (33, 'fulmars-reach', 33, '2ee7027c-1576-4a85-9e18-7efbdd12a5da', 5, 'Sampling winch base, bolt 6', 'Working deck', 8119.282, -40, 1150, 9, 'outer skin 5 mm, core plug 19 mm, inner skin 4 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 6 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:29:58.445+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (34, 'fulmars-reach', 34, 'ec11c0ac-f604-42bd-8b80-0127f22ca7d8', 0, 'Stanchion 2, starboard, bolt 1', 'Side deck, starboard', 4268, 1613, 1440, 6.6, 'outer skin 4 mm, insert 12 mm, inner skin 3 mm', 'M6 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:58.947+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (35, 'fulmars-reach', 35, 'ec11c0ac-f604-42bd-8b80-0127f22ca7d8', 1, 'Stanchion 2, starboard, bolt 2', 'Side deck, starboard', 4332, 1613, 1440, 6.6, 'outer skin 4 mm, insert 12 mm, inner skin 3 mm', 'M6 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:58.953+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (36, 'fulmars-reach', 36, 'ec11c0ac-f604-42bd-8b80-0127f22ca7d8', 2, 'Stanchion 2, starboard, bolt 3', 'Side deck, starboard', 4332, 1667, 1440, 6.6, 'outer skin 4 mm, insert 12 mm, inner skin 3 mm', 'M6 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:58.956+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (37, 'fulmars-reach', 37, 'ec11c0ac-f604-42bd-8b80-0127f22ca7d8', 3, 'Stanchion 2, starboard, bolt 4', 'Side deck, starboard', 4268, 1667, 1440, 6.6, 'outer skin 4 mm, insert 12 mm, inner skin 3 mm', 'M6 316 stainless A4-70', '', 'insert', 'butyl', false, false, '2026-11-27 13:29:58.96+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (38, 'fulmars-reach', 38, '37346e90-7adf-4311-909f-4c13d90fdb48', 0, 'Stanchion 3, starboard, bolt 1', 'Side deck, starboard', 5248, 1633, 1440, 9, 'outer skin 4 mm, core plug 12 mm, inner skin 3 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 8 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:30:00.374+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (39, 'fulmars-reach', 39, '37346e90-7adf-4311-909f-4c13d90fdb48', 1, 'Stanchion 3, starboard, bolt 2', 'Side deck, starboard', 5312, 1633, 1440, 9, 'outer skin 4 mm, core plug 12 mm, inner skin 3 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 8 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:30:00.38+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (40, 'fulmars-reach', 40, '37346e90-7adf-4311-909f-4c13d90fdb48', 2, 'Stanchion 3, starboard, bolt 3', 'Side deck, starboard', 5312, 1687, 1440, 9, 'outer skin 4 mm, core plug 12 mm, inner skin 3 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 8 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:30:00.384+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (41, 'fulmars-reach', 41, '37346e90-7adf-4311-909f-4c13d90fdb48', 3, 'Stanchion 3, starboard, bolt 4', 'Side deck, starboard', 5248, 1687, 1440, 9, 'outer skin 4 mm, core plug 12 mm, inner skin 3 mm', 'M8 316 stainless A4-70', 'epoxy-glass sheet G10/FR-4, 8 mm', 'bore-fill', 'butyl', false, false, '2026-11-27 13:30:00.388+00', NULL, NULL, '', NULL);
INSERT INTO public.penetrations VALUES (12, 'fulmars-reach', 12, NULL, NULL, 'Engine intake', 'Bottom', 6900, -420, -420, 43, 'as found', '', '', 'none', NULL, true, true, '2026-11-27 13:29:50.974+00', NULL, NULL, '', 'b061f0dd-791e-4c4c-92e1-8e9ffa6f9468');
INSERT INTO public.penetrations VALUES (42, 'fulmars-reach', 42, NULL, NULL, 'Anode stud, shaft', 'Bottom', 10300, 150, -380, 11.5, 'solid 14 mm', 'its own nut', '', 'none', 'polysulfide', true, false, '2026-11-27 13:30:03.563+00', NULL, NULL, '', '427665b3-ce23-4add-a295-8fba637ca169');
INSERT INTO public.penetrations VALUES (43, 'fulmars-reach', 43, NULL, NULL, 'Old hawse', 'Foredeck', 1500, -400, 1620, 14, 'as found', '', '', 'none', NULL, false, true, '2026-11-27 13:30:41.037+00', 9, 'oval hole', '', NULL);
INSERT INTO public.penetrations VALUES (44, 'fulmars-reach', 44, NULL, NULL, 'Wet-lab overboard drain', 'Bottom', 7260, 660, -180, 50, 'solid 14 mm, pad 18 mm', '3 M8 A4-70, bolts into the pad: 3 × M8 × 30 mm', 'pad glass-epoxy, 18 mm', 'none', 'epoxy-filled', true, false, '2026-11-27 13:30:42.857+00', NULL, NULL, '', '41b01f97-4d22-475e-b3ab-72c51495febc');


--
-- Data for Name: photos; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.photos VALUES (1, 'fulmars-reach', 'hole', '1', 'as found', 'image/jpeg', 40, 30, 'ba7a0f954db6b95e248f77b5d4262cdc14e637dc61efbc30dac5ceb6e0bb3823', '\xffd8ffdb00430006040506050406060506070706080a100a0a09090a140e0f0c1017141818171416161a1d251f1a1b231c1616202c20232627292a29191f2d302d283025282928ffdb0043010707070a080a130a0a13281a161a2828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828ffc0001108001e002803012200021101031101ffc4001500010100000000000000000000000000000004ffc40014100100000000000000000000000000000000ffc400160101010100000000000000000000000000000104ffc40014110100000000000000000000000000000000ffda000c03010002110311003f00a006550000000000000007ffd9', '\xffd8ffdb00430006040506050406060506070706080a100a0a09090a140e0f0c1017141818171416161a1d251f1a1b231c1616202c20232627292a29191f2d302d283025282928ffdb0043010707070a080a130a0a13281a161a2828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828ffc0001108001e002803012200021101031101ffc4001500010100000000000000000000000000000004ffc40014100100000000000000000000000000000000ffc400160101010100000000000000000000000000000104ffc40014110100000000000000000000000000000000ffda000c03010002110311003f00a006550000000000000007ffd9', '\xffd8ffdb00430006040506050406060506070706080a100a0a09090a140e0f0c1017141818171416161a1d251f1a1b231c1616202c20232627292a29191f2d302d283025282928ffdb0043010707070a080a130a0a13281a161a2828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828282828ffc0001108001e002803012200021101031101ffc4001500010100000000000000000000000000000004ffc40014100100000000000000000000000000000000ffc400160101010100000000000000000000000000000104ffc40014110100000000000000000000000000000000ffda000c03010002110311003f00a006550000000000000007ffd9', 'Isa Rendall', '2026-11-27 13:30:40.779+00');


--
-- Data for Name: readings; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.readings VALUES (1, 'fulmars-reach', 1, 'moisture', '', NULL, 700, -500, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:00:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (2, 'fulmars-reach', 1, 'moisture', '', NULL, 700, 0, 12, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:02:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (3, 'fulmars-reach', 1, 'moisture', '', NULL, 700, 300, 13.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:04:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (4, 'fulmars-reach', 1, 'moisture', '', NULL, 1000, -500, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:06:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (5, 'fulmars-reach', 1, 'moisture', '', NULL, 1000, 0, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:08:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (6, 'fulmars-reach', 1, 'moisture', '', NULL, 1000, 300, 20, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:10:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (7, 'fulmars-reach', 1, 'moisture', '', NULL, 1000, 600, 29.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:12:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (8, 'fulmars-reach', 1, 'moisture', '', NULL, 1300, -500, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:14:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (9, 'fulmars-reach', 1, 'moisture', '', NULL, 1300, 0, 15.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:16:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (10, 'fulmars-reach', 1, 'moisture', '', NULL, 1300, 300, 19, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:18:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (11, 'fulmars-reach', 1, 'moisture', '', NULL, 1300, 600, 30.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:20:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (12, 'fulmars-reach', 1, 'moisture', '', NULL, 1300, 800, 24, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:22:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (13, 'fulmars-reach', 1, 'moisture', '', NULL, 1600, -500, 13, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:24:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (14, 'fulmars-reach', 1, 'moisture', '', NULL, 1600, 0, 13.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:26:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (15, 'fulmars-reach', 1, 'moisture', '', NULL, 1600, 300, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:28:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (16, 'fulmars-reach', 1, 'moisture', '', NULL, 1600, 600, 16.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:30:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (17, 'fulmars-reach', 1, 'moisture', '', NULL, 1600, 800, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:32:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (18, 'fulmars-reach', 1, 'moisture', '', NULL, 2000, -500, 13.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:34:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (19, 'fulmars-reach', 1, 'moisture', '', NULL, 2000, 0, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:36:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (20, 'fulmars-reach', 1, 'moisture', '', NULL, 2000, 300, 15.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:38:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (21, 'fulmars-reach', 1, 'moisture', '', NULL, 2000, 600, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:40:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (22, 'fulmars-reach', 1, 'moisture', '', NULL, 2000, 800, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:42:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (23, 'fulmars-reach', 1, 'moisture', '', NULL, 2500, -500, 12.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:44:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (24, 'fulmars-reach', 1, 'moisture', '', NULL, 2500, 0, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:46:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (25, 'fulmars-reach', 1, 'moisture', '', NULL, 2500, 300, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:48:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (26, 'fulmars-reach', 1, 'moisture', '', NULL, 2500, 600, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:50:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (27, 'fulmars-reach', 1, 'moisture', '', NULL, 2500, 800, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:52:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (28, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, -1300, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:54:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (29, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, -1000, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:56:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (30, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, -700, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 09:58:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (31, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, -300, 13, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:00:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (32, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, 300, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:02:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (33, 'fulmars-reach', 6, 'moisture', '', NULL, 8200, 900, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:04:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (34, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, -1300, 18, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:06:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (35, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, -1000, 21, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:08:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (36, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, -700, 21, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:10:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (37, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, -300, 17.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:12:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (38, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, 300, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:14:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (39, 'fulmars-reach', 6, 'moisture', '', NULL, 8650, 900, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:16:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (40, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, -1300, 24, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:18:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (41, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, -1000, 33, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:20:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (42, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, -700, 35.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:22:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (43, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, -300, 22, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:24:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (44, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, 300, 15, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:26:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (45, 'fulmars-reach', 6, 'moisture', '', NULL, 9150, 900, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:28:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (46, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, -1300, 16.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:30:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (47, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, -1000, 19, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:32:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (48, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, -700, 20.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:34:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (49, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, -300, 16, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:36:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (50, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, 300, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:38:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (51, 'fulmars-reach', 6, 'moisture', '', NULL, 9700, 900, 12.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:40:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (52, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, -1300, 13, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:42:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (53, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, -1000, 13.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:44:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (54, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, -700, 13.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:46:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (55, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, -300, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:48:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (56, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, 300, 14.5, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:50:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (57, 'fulmars-reach', 6, 'moisture', '', NULL, 10300, 900, 14, 100, 14, '', '', 'Moisture meter, simulated', 'Isa Rendall', '2026-10-17 10:52:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (58, 'fulmars-reach', 1, 'tap', '', NULL, 1150, 610, NULL, NULL, NULL, 'dull', 'dull over a hand’s breadth', '', 'Isa Rendall', '2026-10-17 10:54:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (59, 'fulmars-reach', 1, 'tap', '', NULL, 900, -640, NULL, NULL, NULL, 'sound', '', '', 'Isa Rendall', '2026-10-17 10:56:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (60, 'fulmars-reach', 6, 'tap', '', NULL, 9150, -840, NULL, NULL, NULL, 'crackling', 'crackles round all the old holes', '', 'Isa Rendall', '2026-10-17 10:58:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (61, 'fulmars-reach', 1, 'core', '', NULL, 1150, 610, NULL, NULL, NULL, 'wet', 'dark, firm under the knife', '', 'Isa Rendall', '2026-10-17 11:00:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (62, 'fulmars-reach', 6, 'core', '', NULL, 9150, -840, NULL, NULL, NULL, 'rotten', 'came out as paste', '', 'Isa Rendall', '2026-10-17 11:02:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (63, 'fulmars-reach', 1, 'thickness', 'probe', 0, 1500, -300, 4.1, NULL, NULL, '', '', '', 'Isa Rendall', '2026-10-17 11:04:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (64, 'fulmars-reach', 1, 'thickness', 'probe', 1, 1500, -300, 12, NULL, NULL, '', '', '', 'Isa Rendall', '2026-10-17 11:06:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (65, 'fulmars-reach', 1, 'thickness', 'probe', 0, 2400, 400, 3.9, NULL, NULL, '', '', '', 'Isa Rendall', '2026-10-17 11:08:00+00', NULL, NULL);
INSERT INTO public.readings VALUES (66, 'fulmars-reach', 1, 'thickness', 'probe', 1, 2400, 400, 12, NULL, NULL, '', '', '', 'Isa Rendall', '2026-10-17 11:10:00+00', NULL, NULL);


--
-- Data for Name: rejudge_jobs; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.rejudge_jobs VALUES (3, 'tarn-runner', 'a value of the yard’s own changed', 3, 3, 0, '2026-11-27 13:30:35.955103+00', '2026-11-27 13:30:35.955103+00', 0);
INSERT INTO public.rejudge_jobs VALUES (2, 'pipit', 'a value of the yard’s own changed', 3, 3, 0, '2026-11-27 13:30:35.951424+00', '2026-11-27 13:30:35.951424+00', 0);
INSERT INTO public.rejudge_jobs VALUES (1, 'fulmars-reach', 'a value of the yard’s own changed', 9, 9, 2, '2026-11-27 13:30:35.945654+00', '2026-11-27 13:30:35.945654+00', 0);
INSERT INTO public.rejudge_jobs VALUES (4, 'fulmars-reach', 'a value of the yard’s own changed', 9, 9, 0, '2026-11-27 13:30:40.463802+00', '2026-11-27 13:30:40.463802+00', 0);
INSERT INTO public.rejudge_jobs VALUES (5, 'pipit', 'a value of the yard’s own changed', 3, 3, 0, '2026-11-27 13:30:40.477234+00', '2026-11-27 13:30:40.477234+00', 0);
INSERT INTO public.rejudge_jobs VALUES (6, 'tarn-runner', 'a value of the yard’s own changed', 3, 3, 0, '2026-11-27 13:30:40.502921+00', '2026-11-27 13:30:40.502921+00', 0);


--
-- Data for Name: settings; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: structures; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.structures VALUES (1, 'fulmars-reach', 'beam', 'deck beam', 620, -1, 620, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (2, 'fulmars-reach', 'beam', 'deck beam', 1240, -1, 1240, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (3, 'fulmars-reach', 'beam', 'deck beam', 1860, -1, 1860, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (4, 'fulmars-reach', 'beam', 'deck beam', 2480, -1, 2480, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (5, 'fulmars-reach', 'beam', 'deck beam', 3100, -1, 3100, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (6, 'fulmars-reach', 'beam', 'deck beam', 3720, -1, 3720, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (7, 'fulmars-reach', 'beam', 'deck beam', 4340, -1, 4340, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (8, 'fulmars-reach', 'beam', 'deck beam', 4960, -1, 4960, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (9, 'fulmars-reach', 'beam', 'deck beam', 5580, -1, 5580, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (10, 'fulmars-reach', 'beam', 'deck beam', 6200, -1, 6200, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (11, 'fulmars-reach', 'beam', 'deck beam', 6820, -1, 6820, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (12, 'fulmars-reach', 'beam', 'deck beam', 7440, -1, 7440, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (13, 'fulmars-reach', 'beam', 'deck beam', 8060, -1, 8060, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (14, 'fulmars-reach', 'beam', 'deck beam', 8680, -1, 8680, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (15, 'fulmars-reach', 'beam', 'deck beam', 9300, -1, 9300, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (16, 'fulmars-reach', 'beam', 'deck beam', 9920, -1, 9920, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (17, 'fulmars-reach', 'beam', 'deck beam', 10540, -1, 10540, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (18, 'fulmars-reach', 'beam', 'deck beam', 11160, -1, 11160, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (19, 'fulmars-reach', 'longitudinal', 'longitudinal', 300, 750, 11300, 750, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (20, 'fulmars-reach', 'longitudinal', 'longitudinal', 300, -750, 11300, -750, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (21, 'fulmars-reach', 'bulkhead', 'Collision bulkhead', 1900, -1370, 1900, 1370, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (22, 'fulmars-reach', 'tank', 'Fuel tank', 5600, -560, 7000, 560, 620, 480, NULL);
INSERT INTO public.structures VALUES (23, 'fulmars-reach', 'headliner', 'Headliner', 3350, -900, 7150, 900, 35, NULL, NULL);
INSERT INTO public.structures VALUES (24, 'fulmars-reach', 'liner', 'Side liner', 3100, 1000, 7400, 1780, 60, NULL, NULL);
INSERT INTO public.structures VALUES (25, 'fulmars-reach', 'cable', 'Cable to the bow light', 300, 180, 3300, 420, 25, NULL, NULL);
INSERT INTO public.structures VALUES (26, 'fulmars-reach', 'knee', 'Knee under the bitt', 1240, 300, 1240, 780, NULL, 180, 18);
INSERT INTO public.structures VALUES (27, 'pipit', 'beam', 'deck beam', 1200, -1, 1200, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (28, 'pipit', 'beam', 'deck beam', 2400, -1, 2400, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (29, 'pipit', 'tank', 'Buoyancy tank', 300, -500, 2300, 500, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (30, 'tarn-runner', 'beam', 'frame', 620, -1, 620, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (31, 'tarn-runner', 'beam', 'frame', 1240, -1, 1240, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (32, 'tarn-runner', 'beam', 'frame', 1860, -1, 1860, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (33, 'tarn-runner', 'beam', 'frame', 2480, -1, 2480, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (34, 'tarn-runner', 'beam', 'frame', 3100, -1, 3100, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (35, 'tarn-runner', 'beam', 'frame', 3720, -1, 3720, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (36, 'tarn-runner', 'beam', 'frame', 4340, -1, 4340, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (37, 'tarn-runner', 'beam', 'frame', 4960, -1, 4960, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (38, 'tarn-runner', 'beam', 'frame', 5580, -1, 5580, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (39, 'tarn-runner', 'beam', 'frame', 6200, -1, 6200, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (40, 'tarn-runner', 'beam', 'frame', 6820, -1, 6820, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (41, 'tarn-runner', 'beam', 'frame', 7440, -1, 7440, 1, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (42, 'tarn-runner', 'longitudinal', 'stringer', 300, 600, 8000, 600, NULL, NULL, NULL);
INSERT INTO public.structures VALUES (43, 'tarn-runner', 'longitudinal', 'stringer', 300, -600, 8000, -600, NULL, NULL, NULL);


--
-- Data for Name: users; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.users VALUES (1, 'manager', 'Isa Rendall', 'manager', NULL, '$argon2id$v=19$m=19456,p=1,t=2$y24MQQCv+HsnnDfR6my8xg$REcIc5UA9Pm7/O6aflLfLTa32Ba1HYRaX3HjUz6uoGo');
INSERT INTO public.users VALUES (2, 'fitter', 'Tam Corrigall', 'fitter', NULL, '$argon2id$v=19$m=19456,p=1,t=2$/ZKIMv8bruooGRE4nlWApw$6XQRmq+ffQXU+Ly4LIZCg3lWjsID+4zxAboOJRdtF04');
INSERT INTO public.users VALUES (3, 'apprentice', 'Jo Linklater', 'apprentice', NULL, '$argon2id$v=19$m=19456,p=1,t=2$XRe2XEM+U0BJKh66O3mkpw$BQyb3vwkxCtVYCJlJUpwBKcGgEPws24JZy1dnKnMUdg');
INSERT INTO public.users VALUES (4, 'owner', 'M. Halcro', 'owner', 'fulmars-reach', '$argon2id$v=19$m=19456,p=1,t=2$yBC5XqogA/Tz7uomijsDTg$DtxQyYluBD3Up9CInZ3fLgLu7HW8o6JrRixvX6FdF3k');


--
-- Data for Name: yard_habits; Type: TABLE DATA; Schema: public; Owner: -
--



--
-- Data for Name: yard_values; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.yard_values VALUES ('core', 'balsa-150', 'shearMPa', 1.6, 'three coupons from the working deck', 'Isa Rendall', '2026-11-27 13:30:40.386357+00');


--
-- Data for Name: zone_layers; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.zone_layers VALUES (1, 2, 'mat', 3, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (2, 0, 'mat', 9.5, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (3, 0, 'mat', 9.5, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (4, 0, 'mat', 4, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (4, 1, 'balsa-150', 12, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (4, 2, 'mat', 3, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (5, 0, 'mat', 4, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (5, 1, 'balsa-150', 12, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (5, 2, 'mat', 3, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (6, 0, 'mat', 5, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (6, 1, 'balsa-150', 19, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (6, 2, 'mat', 4, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (7, 0, 'mat', 3, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (7, 1, 'pvc-130', 15, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (7, 2, 'mat', 2.5, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (8, 0, 'woven', 9, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (9, 0, 'woven', 14, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (10, 0, 'plywood', 18, true, 'rule', NULL, 0);
INSERT INTO public.zone_layers VALUES (11, 0, 'mat', 4.7625, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (11, 1, 'plywood', 12.7, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (11, 2, 'mat', 3.175, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (12, 0, 'mat', 4.7625, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (12, 1, 'plywood', 12.7, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (12, 2, 'mat', 3.175, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (13, 0, 'mat', 4.7625, true, 'drilled plug', NULL, 0);
INSERT INTO public.zone_layers VALUES (13, 1, 'plywood', 12.7, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (13, 2, 'mat', 3.175, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (14, 0, 'mat', 4.7625, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (14, 1, 'plywood', 12.7, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (14, 2, 'mat', 3.175, false, '', NULL, 0);
INSERT INTO public.zone_layers VALUES (15, 0, 'aluminium-5083', 4, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (16, 0, 'aluminium-5083', 5, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (17, 0, 'aluminium-5083', 6, true, 'ultrasonic', NULL, 0);
INSERT INTO public.zone_layers VALUES (1, 0, 'mat', 4, true, 'drilled probe', 0.2, 2);
INSERT INTO public.zone_layers VALUES (1, 1, 'balsa-150', 12, true, 'drilled probe', 0, 2);


--
-- Data for Name: zones; Type: TABLE DATA; Schema: public; Owner: -
--

INSERT INTO public.zones VALUES (1, 'fulmars-reach', 'foredeck', 'Foredeck', 'deck', 'sandwich', 1620, '{300,700,1200,1900,3000,3100,3100,3000,1900,1200,700,300}', '{420,745,1055,1370,1670,1679.6666666666667,-1679.6666666666667,-1670,-1370,-1055,-745,-420}', 0, 'through the fore peak, one arm', 'wet patch near x 1150, starboard 610', 1, 'one-arm', NULL);
INSERT INTO public.zones VALUES (2, 'fulmars-reach', 'side-port-edge', 'Side deck edge, port', 'deck', 'solid', 1440, '{3100,4500,6000,7400,7400,6000,4500,3100}', '{-1679.6666666666667,-1815,-1850,-1843,-1753,-1760,-1725,-1589.6666666666667}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (3, 'fulmars-reach', 'side-stbd-edge', 'Side deck edge, starboard', 'deck', 'solid', 1440, '{3100,4500,6000,7400,7400,6000,4500,3100}', '{1679.6666666666667,1815,1850,1843,1753,1760,1725,1589.6666666666667}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (4, 'fulmars-reach', 'side-port', 'Side deck, port', 'deck', 'sandwich', 1440, '{3100,4500,6000,7400,7400,6000,4500,3100}', '{-1589.6666666666667,-1725,-1760,-1753,-940,-940,-940,-940}', 0, 'behind the locker back, two arms', '', 1, 'open', NULL);
INSERT INTO public.zones VALUES (5, 'fulmars-reach', 'side-stbd', 'Side deck, starboard', 'deck', 'sandwich', 1440, '{3100,4500,6000,7400,7400,6000,4500,3100}', '{1589.6666666666667,1725,1760,1753,940,940,940,940}', 0, 'behind the liner: none without cutting it', '', 1, 'none', NULL);
INSERT INTO public.zones VALUES (6, 'fulmars-reach', 'working-deck', 'Working deck', 'deck', 'sandwich', 1150, '{7400,8000,10000,11300,11300,10000,8000,7400}', '{1783,1780,1685,1580,-1580,-1685,-1780,-1783}', 0, 'from the lazarette, crawling', 'wet round the old net-hauler’s holes', 1, 'one-arm', NULL);
INSERT INTO public.zones VALUES (7, 'fulmars-reach', 'roof', 'Wheelhouse roof', 'roof', 'sandwich', 2700, '{3300,3300,3620,7200,7200,3620}', '{-760,760,940,940,-940,-940}', 1, 'behind the headliner', '', 1, 'one-arm', NULL);
INSERT INTO public.zones VALUES (8, 'fulmars-reach', 'topsides', 'Topsides', 'topsides', 'solid', 700, '{1200,11800,11800,1200}', '{300,300,1300,1300}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (9, 'fulmars-reach', 'bottom', 'Bottom', 'bottom', 'solid', -400, '{1200,11800,11800,1200}', '{-560,-560,0,0}', 0, '', 'deadrise 17° amidships, 12° aft', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (10, 'fulmars-reach', 'collision-bulkhead', 'Collision bulkhead', 'bulkhead', 'timber', 600, '{-1250,-1250,-700,0,700,1250,1250}', '{1500,500,-150,-380,-150,500,1500}', 0, 'from both sides', 'to be made watertight', 1, 'open', 1900);
INSERT INTO public.zones VALUES (11, 'pipit', 'foredeck', 'Foredeck', 'deck', 'sandwich', 660, '{200,600,1500,2400,2400,1500,600,200}', '{150,420,760,933.0769230769231,-933.0769230769231,-760,-420,-150}', 0, 'from the cuddy', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (12, 'pipit', 'side-port', 'Side deck, port', 'deck', 'sandwich', 600, '{2400,2800,4200,5600,5900,5900,5600,4200,2800,2400}', '{-933.0769230769231,-1010,-1060,-960,-922.5,-542.5,-580,-680,-630,-553.0769230769231}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (13, 'pipit', 'side-stbd', 'Side deck, starboard', 'deck', 'sandwich', 600, '{2400,2800,4200,5600,5900,5900,5600,4200,2800,2400}', '{933.0769230769231,1010,1060,960,922.5,542.5,580,680,630,553.0769230769231}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (14, 'pipit', 'after-deck', 'After deck', 'deck', 'sandwich', 585, '{5900,6400,6400,5900}', '{922.5,860,-860,-922.5}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (15, 'tarn-runner', 'deck', 'Deck', 'deck', 'metal', 900, '{0,500,1400,3000,5500,8100,8100,5500,3000,1400,500,0}', '{700,1040,1240,1300,1300,1260,-1260,-1300,-1300,-1240,-1040,-700}', 0, 'from the hold', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (16, 'tarn-runner', 'sides', 'Sides', 'topsides', 'metal', 500, '{500,8100,8100,500}', '{0,0,850,850}', 0, '', '', 1, 'unknown', NULL);
INSERT INTO public.zones VALUES (17, 'tarn-runner', 'bottom', 'Bottom', 'bottom', 'metal', -300, '{500,8100,8100,500}', '{-380,-380,0,0}', 0, '', '', 1, 'unknown', NULL);


--
-- Name: angle_readings_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.angle_readings_id_seq', 22, true);


--
-- Name: hull_log_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.hull_log_id_seq', 8, true);


--
-- Name: life_events_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.life_events_id_seq', 113, true);


--
-- Name: lots_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.lots_id_seq', 7, true);


--
-- Name: penetrations_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.penetrations_id_seq', 44, true);


--
-- Name: photos_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.photos_id_seq', 1, true);


--
-- Name: readings_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.readings_id_seq', 66, true);


--
-- Name: rejudge_jobs_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.rejudge_jobs_id_seq', 6, true);


--
-- Name: structures_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.structures_id_seq', 43, true);


--
-- Name: users_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.users_id_seq', 4, true);


--
-- Name: zones_id_seq; Type: SEQUENCE SET; Schema: public; Owner: -
--

SELECT pg_catalog.setval('public.zones_id_seq', 17, true);


--
-- Name: angle_readings angle_readings_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.angle_readings
    ADD CONSTRAINT angle_readings_pkey PRIMARY KEY (id);


--
-- Name: boats boats_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.boats
    ADD CONSTRAINT boats_pkey PRIMARY KEY (id);


--
-- Name: fittings fittings_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.fittings
    ADD CONSTRAINT fittings_pkey PRIMARY KEY (id);


--
-- Name: flood_plans flood_plans_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.flood_plans
    ADD CONSTRAINT flood_plans_pkey PRIMARY KEY (boat_id);


--
-- Name: hardware hardware_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hardware
    ADD CONSTRAINT hardware_pkey PRIMARY KEY (id);


--
-- Name: hull_fittings hull_fittings_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_fittings
    ADD CONSTRAINT hull_fittings_pkey PRIMARY KEY (id);


--
-- Name: hull_goods hull_goods_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_goods
    ADD CONSTRAINT hull_goods_pkey PRIMARY KEY (id);


--
-- Name: hull_log hull_log_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_log
    ADD CONSTRAINT hull_log_pkey PRIMARY KEY (id);


--
-- Name: life_events life_events_penetration_id_seq_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.life_events
    ADD CONSTRAINT life_events_penetration_id_seq_key UNIQUE (penetration_id, seq);


--
-- Name: life_events life_events_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.life_events
    ADD CONSTRAINT life_events_pkey PRIMARY KEY (id);


--
-- Name: lots lots_code_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.lots
    ADD CONSTRAINT lots_code_key UNIQUE (code);


--
-- Name: lots lots_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.lots
    ADD CONSTRAINT lots_pkey PRIMARY KEY (id);


--
-- Name: migrations migrations_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.migrations
    ADD CONSTRAINT migrations_pkey PRIMARY KEY (name);


--
-- Name: outline_stations outline_stations_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.outline_stations
    ADD CONSTRAINT outline_stations_pkey PRIMARY KEY (boat_id, x_mm);


--
-- Name: penetrations penetrations_boat_id_number_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_boat_id_number_key UNIQUE (boat_id, number);


--
-- Name: penetrations penetrations_fitting_id_bolt_index_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_fitting_id_bolt_index_key UNIQUE (fitting_id, bolt_index);


--
-- Name: penetrations penetrations_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_pkey PRIMARY KEY (id);


--
-- Name: photos photos_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photos
    ADD CONSTRAINT photos_pkey PRIMARY KEY (id);


--
-- Name: rate_hits rate_hits_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rate_hits
    ADD CONSTRAINT rate_hits_pkey PRIMARY KEY (key);


--
-- Name: readings readings_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.readings
    ADD CONSTRAINT readings_pkey PRIMARY KEY (id);


--
-- Name: rejudge_jobs rejudge_jobs_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejudge_jobs
    ADD CONSTRAINT rejudge_jobs_pkey PRIMARY KEY (id);


--
-- Name: session session_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.session
    ADD CONSTRAINT session_pkey PRIMARY KEY (sid);


--
-- Name: settings settings_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.settings
    ADD CONSTRAINT settings_pkey PRIMARY KEY (key);


--
-- Name: structures structures_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.structures
    ADD CONSTRAINT structures_pkey PRIMARY KEY (id);


--
-- Name: users users_login_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.users
    ADD CONSTRAINT users_login_key UNIQUE (login);


--
-- Name: users users_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.users
    ADD CONSTRAINT users_pkey PRIMARY KEY (id);


--
-- Name: yard_habits yard_habits_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.yard_habits
    ADD CONSTRAINT yard_habits_pkey PRIMARY KEY (question);


--
-- Name: yard_values yard_values_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.yard_values
    ADD CONSTRAINT yard_values_pkey PRIMARY KEY (kind, material, field);


--
-- Name: zone_layers zone_layers_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zone_layers
    ADD CONSTRAINT zone_layers_pkey PRIMARY KEY (zone_id, seq);


--
-- Name: zones zones_boat_id_code_key; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zones
    ADD CONSTRAINT zones_boat_id_code_key UNIQUE (boat_id, code);


--
-- Name: zones zones_pkey; Type: CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zones
    ADD CONSTRAINT zones_pkey PRIMARY KEY (id);


--
-- Name: angle_readings_boat; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX angle_readings_boat ON public.angle_readings USING btree (boat_id, id);


--
-- Name: fittings_boat; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX fittings_boat ON public.fittings USING btree (boat_id, created_at);


--
-- Name: hull_fittings_boat; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX hull_fittings_boat ON public.hull_fittings USING btree (boat_id, created_at);


--
-- Name: hull_log_lot; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX hull_log_lot ON public.hull_log USING btree (lot_id) WHERE (lot_id IS NOT NULL);


--
-- Name: hull_log_of; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX hull_log_of ON public.hull_log USING btree (hull_fitting_id, id);


--
-- Name: penetrations_hull; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX penetrations_hull ON public.penetrations USING btree (hull_fitting_id, bolt_index);


--
-- Name: penetrations_hull_bore; Type: INDEX; Schema: public; Owner: -
--

CREATE UNIQUE INDEX penetrations_hull_bore ON public.penetrations USING btree (hull_fitting_id) WHERE (bolt_index IS NULL);


--
-- Name: photos_subject; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX photos_subject ON public.photos USING btree (boat_id, subject, subject_id);


--
-- Name: readings_boat; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX readings_boat ON public.readings USING btree (boat_id, kind);


--
-- Name: readings_zone; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX readings_zone ON public.readings USING btree (zone_id);


--
-- Name: session_expire; Type: INDEX; Schema: public; Owner: -
--

CREATE INDEX session_expire ON public.session USING btree (expire);


--
-- Name: hull_log hull_log_insert_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER hull_log_insert_only BEFORE DELETE OR UPDATE ON public.hull_log FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: hull_log hull_log_no_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER hull_log_no_truncate BEFORE TRUNCATE ON public.hull_log FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: life_events life_events_insert_only; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER life_events_insert_only BEFORE DELETE OR UPDATE ON public.life_events FOR EACH ROW EXECUTE FUNCTION public.refuse_change();


--
-- Name: life_events life_events_no_truncate; Type: TRIGGER; Schema: public; Owner: -
--

CREATE TRIGGER life_events_no_truncate BEFORE TRUNCATE ON public.life_events FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_change();


--
-- Name: angle_readings angle_readings_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.angle_readings
    ADD CONSTRAINT angle_readings_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: fittings fittings_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.fittings
    ADD CONSTRAINT fittings_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id);


--
-- Name: flood_plans flood_plans_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.flood_plans
    ADD CONSTRAINT flood_plans_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: hull_fittings hull_fittings_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_fittings
    ADD CONSTRAINT hull_fittings_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id);


--
-- Name: hull_fittings hull_fittings_replaces_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_fittings
    ADD CONSTRAINT hull_fittings_replaces_id_fkey FOREIGN KEY (replaces_id) REFERENCES public.hull_fittings(id);


--
-- Name: hull_log hull_log_hull_fitting_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_log
    ADD CONSTRAINT hull_log_hull_fitting_id_fkey FOREIGN KEY (hull_fitting_id) REFERENCES public.hull_fittings(id);


--
-- Name: hull_log hull_log_lot_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.hull_log
    ADD CONSTRAINT hull_log_lot_id_fkey FOREIGN KEY (lot_id) REFERENCES public.lots(id);


--
-- Name: life_events life_events_lot_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.life_events
    ADD CONSTRAINT life_events_lot_id_fkey FOREIGN KEY (lot_id) REFERENCES public.lots(id);


--
-- Name: life_events life_events_penetration_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.life_events
    ADD CONSTRAINT life_events_penetration_id_fkey FOREIGN KEY (penetration_id) REFERENCES public.penetrations(id);


--
-- Name: outline_stations outline_stations_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.outline_stations
    ADD CONSTRAINT outline_stations_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: penetrations penetrations_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id);


--
-- Name: penetrations penetrations_fitting_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_fitting_id_fkey FOREIGN KEY (fitting_id) REFERENCES public.fittings(id);


--
-- Name: penetrations penetrations_hull_fitting_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.penetrations
    ADD CONSTRAINT penetrations_hull_fitting_id_fkey FOREIGN KEY (hull_fitting_id) REFERENCES public.hull_fittings(id);


--
-- Name: photos photos_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.photos
    ADD CONSTRAINT photos_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: readings readings_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.readings
    ADD CONSTRAINT readings_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: readings readings_zone_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.readings
    ADD CONSTRAINT readings_zone_id_fkey FOREIGN KEY (zone_id) REFERENCES public.zones(id) ON DELETE SET NULL;


--
-- Name: rejudge_jobs rejudge_jobs_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.rejudge_jobs
    ADD CONSTRAINT rejudge_jobs_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: structures structures_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.structures
    ADD CONSTRAINT structures_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- Name: users users_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.users
    ADD CONSTRAINT users_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id);


--
-- Name: zone_layers zone_layers_zone_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zone_layers
    ADD CONSTRAINT zone_layers_zone_id_fkey FOREIGN KEY (zone_id) REFERENCES public.zones(id) ON DELETE CASCADE;


--
-- Name: zones zones_boat_id_fkey; Type: FK CONSTRAINT; Schema: public; Owner: -
--

ALTER TABLE ONLY public.zones
    ADD CONSTRAINT zones_boat_id_fkey FOREIGN KEY (boat_id) REFERENCES public.boats(id) ON DELETE CASCADE;


--
-- PostgreSQL database dump complete
--


