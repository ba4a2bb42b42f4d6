<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What the law of health data lets an athlete ask for: to agree to a purpose and to take it back, to have the record set
 * aside, and to have it erased, or kept without the name where it must be kept.
 */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('practices', static function (Blueprint $table): void {
            // Years after the last case was closed for which records are kept; null where the practice has not said.
            $table->unsignedSmallInteger('kept_years')->nullable();
        });
        Schema::table('athletes', static function (Blueprint $table): void {
            $table->timestampTz('restricted_at')->nullable();
            $table->string('restricted_why', 300)->nullable();
            $table->timestampTz('unnamed_at')->nullable();
        });
        // The same beside each case, where it is asked for all the time.
        Schema::table('cases', static fn(Blueprint $table) => $table->boolean('set_aside')->default(false));
        Schema::create('consents', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('athlete_id')->index();
            $table->string('purpose', 20);
            // Given, or taken back.
            $table->boolean('given');
            $table->date('on');
            $table->string('how', 200);
            $table->uuid('user_id');
            $table->timestampTz('at');
            $table
                ->foreign(['practice_id', 'athlete_id'])
                ->references(['practice_id', 'id'])
                ->on('athletes');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        Schema::create('erasures', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            // Of nobody that could be looked up any more, or of somebody without a name.
            $table->uuid('athlete_id');
            $table->string('pseudonym', 40)->nullable();
            $table->string('why', 300);
            $table->uuid('user_id');
            $table->timestampTz('at');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        DB::unprepared(
            <<<'SQL'
            create trigger consents_stay before update or delete on consents for each row execute function refuse_change();
            create trigger erasures_stay before update or delete on erasures for each row execute function refuse_change();

            -- What is written once is never changed, but for an athlete who is erased.
            create or replace function refuse_change() returns trigger language plpgsql as $$
            begin
                if current_setting('rung.erasing', true) = 'yes' and tg_table_name not in ('access_log', 'access_log_links', 'erasures') then
                    if tg_op = 'DELETE' then return old; end if;
                    return new;
                end if;
                raise exception 'rows of % are never changed', tg_table_name;
            end $$;

            -- Erases an athlete of the practice that the caller works in; with a pseudonym the record stays without the name.
            -- The application may do this by this function alone: it can erase no row of what is written once by itself.
            create or replace function erase_athlete(person uuid, pseudonym text) returns void language plpgsql security definer set search_path = public as $$
            declare
                practice uuid := nullif(nullif(current_setting('rung.practice', true), ''), '*')::uuid;
                ids uuid[];
                people uuid[];
                account_ids uuid[];
                t text;
                c text[];
                names text;
            begin
                if not exists (select 1 from athletes where id = person and practice_id = practice) then
                    raise exception 'no such athlete in this practice';
                end if;
                select coalesce(array_agg(id), '{}') into ids from cases where athlete_id = person;
                select coalesce(array_agg(id), '{}'), coalesce(array_agg(account_id), '{}') into people, account_ids from users where athlete_id = person;
                perform set_config('rung.erasing', 'yes', true);
                delete from paper_versions where paper_id in (select id from papers where case_id = any(ids));
                foreach t in array array['papers', 'made_files', 'messages', 'openings'] loop
                    execute format('delete from %I where case_id = any($1)', t) using ids;
                end loop;
                delete from made_files where user_id = any(people);
                delete from invitations where user_id = any(people);
                delete from sessions where user_id = any(people);
                if pseudonym is null then
                    foreach t in array array['corrections', 'curves', 'dose_changes', 'reviews', 'sign_offs', 'outcomes', 'tests', 'check_ins', 'training_sessions',
                            'imports', 'planned_sessions', 'stage_entries', 'decisions', 'plan_versions', 'case_shares'] loop
                        execute format('delete from %I where case_id = any($1)', t) using ids;
                    end loop;
                    delete from cases where id = any(ids);
                    delete from consents where athlete_id = person;
                    delete from users where id = any(people);
                    delete from accounts a where a.id = any(account_ids) and not exists (select 1 from users u where u.account_id = a.id);
                    delete from athletes where id = person;
                else
                    select '\m(' || string_agg(regexp_replace(part, '([.^$*+?()\[\]{}|\\])', '\\\1', 'g'), '|' order by length(part) desc) || ')\M' into names
                        from (select name as part from athletes where id = person union select unnest(regexp_split_to_array(name, '\s+')) from athletes where id = person) parts
                        where length(part) > 2;
                    foreach c slice 1 in array array[['cases', 'history'], ['decisions', 'words'], ['decisions', 'reason'], ['corrections', 'why'], ['plan_versions', 'note'],
                            ['plan_versions', 'why'], ['check_ins', 'notes'], ['training_sessions', 'notes'], ['case_shares', 'reason']] loop
                        execute format('update %1$I set %2$I = regexp_replace(%2$I, $2, $3, ''gi'') where %3$I = any($1) and %2$I ~* $2', c[1], c[2], case when c[1] = 'cases' then 'id' else 'case_id' end)
                            using ids, names, pseudonym;
                    end loop;
                    -- Where keys stand beside what was typed, a name is taken as it is spelled.
                    update cases set intake = regexp_replace(intake::text, names, pseudonym, 'g')::jsonb, advice = regexp_replace(advice::text, names, pseudonym, 'g')::jsonb where id = any(ids);
                    update corrections set before = regexp_replace(before::text, names, pseudonym, 'g')::jsonb where case_id = any(ids);
                    update users set name = pseudonym, calendar_hash = null, left_at = coalesce(left_at, now()) where id = any(people);
                    update accounts a set email = 'erased-' || a.id, password = '!', remember_token = null, second_factor = null, second_factor_since = null, recovery_codes = '[]'
                        where a.id = any(account_ids) and not exists (select 1 from users u where u.account_id = a.id and u.id <> all(people));
                    update athletes set name = pseudonym, act = null, born_on = date_trunc('year', born_on)::date, unnamed_at = now() where id = person;
                end if;
                perform set_config('rung.erasing', '', true);
            end $$;
            revoke execute on function erase_athlete(uuid, text) from public;
            SQL
            ,
        );
    }

    public function down(): void
    {
        DB::unprepared('drop function if exists erase_athlete(uuid, text)');
        Schema::dropIfExists('erasures');
        Schema::dropIfExists('consents');
        Schema::table(
            'athletes',
            static fn(Blueprint $table) => $table->dropColumn(['restricted_at', 'restricted_why', 'unnamed_at']),
        );
        Schema::table('cases', static fn(Blueprint $table) => $table->dropColumn('set_aside'));
        Schema::table('practices', static fn(Blueprint $table) => $table->dropColumn('kept_years'));
    }
};
