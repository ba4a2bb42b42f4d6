<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Cases, their plans, what athletes report and what practitioners decide. */
return new class extends Migration {
    public function up(): void
    {
        Schema::create('cases', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->foreignUuid('practice_id')->constrained();
            $table->uuid('athlete_id');
            $table->uuid('practitioner_id');
            $table->string('structure');
            $table->string('structure_title');
            $table->string('side');
            $table->string('goal');
            $table->string('purpose')->default('rehab');
            $table->date('opened_on');
            $table->date('review_on')->nullable();
            $table->date('closed_on')->nullable();
            $table->text('history')->nullable();
            $table->string('programme');
            $table->jsonb('response_rule');
            $table->jsonb('provocation_test');
            $table->jsonb('available');
            $table->jsonb('events');
            $table->jsonb('blocked');
            $table->jsonb('intake');
            $table->jsonb('standing')->nullable();
            $table->string('attention_group')->nullable();
            $table->unsignedSmallInteger('attention_rank')->default(0);
            $table->timestampTz('evaluated_at')->nullable();
            $table->unsignedInteger('revision')->default(0);
            $table->timestampsTz();
            $table->unique(['practice_id', 'id']);
            $table->index(['practice_id', 'closed_on', 'attention_rank']);
            $table
                ->foreign(['practice_id', 'athlete_id'])
                ->references(['practice_id', 'id'])
                ->on('athletes');
            $table
                ->foreign(['practice_id', 'practitioner_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });

        $this->ofCase('plan_versions', static function (Blueprint $table): void {
            $table->unsignedInteger('version');
            $table->jsonb('content');
            $table->text('note');
            $table->uuid('author_id')->nullable();
            $table->timestampTz('created_at');
            $table->unique(['case_id', 'version']);
        });
        $this->ofCase('stage_entries', static function (Blueprint $table): void {
            $table->string('stage');
            $table->date('from');
            $table->unique(['case_id', 'from']);
        });
        $this->ofCase('planned_sessions', static function (Blueprint $table): void {
            $table->date('on');
            $table->string('stage');
            $table->string('slot');
            $table->unsignedSmallInteger('number');
            $table->unique(['case_id', 'on', 'slot', 'number']);
        });
        $this->ofCase('training_sessions', static function (Blueprint $table): void {
            $table->foreignUuid('planned_id')->nullable()->constrained('planned_sessions');
            $table->unsignedInteger('plan_version');
            $table->string('stage');
            $table->string('kind');
            $table->timestampTz('started_at');
            $table->timestampTz('ended_at');
            $table->string('participation')->nullable();
            $table->decimal('minutes', 6, 1)->nullable();
            $table->unsignedSmallInteger('effort')->nullable();
            $table->decimal('settled_min', 7, 1)->nullable();
            $table->jsonb('signs');
            $table->jsonb('entries');
            $table->text('notes')->nullable();
            $table->timestampTz('created_at');
        });
        $this->ofCase('check_ins', static function (Blueprint $table): void {
            $table->timestampTz('at');
            $table->unsignedSmallInteger('provocation')->nullable();
            $table->decimal('stiffness_min', 6, 1)->nullable();
            $table->jsonb('signs');
            $table->boolean('late')->default(false);
            $table->text('notes')->nullable();
            $table->timestampTz('created_at');
        });
        $this->ofCase('tests', static function (Blueprint $table): void {
            $table->string('test');
            $table->date('on');
            $table->decimal('affected', 9, 2);
            $table->decimal('unaffected', 9, 2);
            $table->string('unit');
            $table->timestampTz('created_at');
        });
        $this->ofCase('outcomes', static function (Blueprint $table): void {
            $table->string('measure');
            $table->date('on');
            $table->decimal('score', 9, 2);
            $table->timestampTz('created_at');
        });
        $this->ofCase('sign_offs', static function (Blueprint $table): void {
            $table->string('stage');
            $table->date('on');
        });
        $this->ofCase('reviews', static function (Blueprint $table): void {
            $table->timestampTz('at');
            $table->string('clears');
        });
        $this->ofCase('dose_changes', static function (Blueprint $table): void {
            $table->timestampTz('at');
            $table->string('kind');
            $table->string('prescription')->nullable();
        });
        $this->ofCase('decisions', static function (Blueprint $table): void {
            $table->timestampTz('at');
            $table->uuid('user_id');
            $table->string('kind');
            $table->text('words');
            $table->text('reason')->nullable();
            $table->jsonb('evidence');
            $table->unsignedInteger('plan_version');
        });

        Schema::create('access_log', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUuid('practice_id')->constrained();
            $table->uuid('user_id');
            $table->uuid('athlete_id')->nullable();
            $table->string('what');
            $table->jsonb('cases');
            $table->timestampTz('at');
            $table->index(['practice_id', 'athlete_id', 'at']);
            $table->index(['user_id', 'at']);
        });

        // What was decided and who looked stays as it was written.
        DB::unprepared(
            <<<'SQL'
            create or replace function refuse_change() returns trigger language plpgsql as $$
            begin
                raise exception 'rows of % are never changed', tg_table_name;
            end $$;
            create trigger decisions_stay before update or delete on decisions
                for each row execute function refuse_change();
            create trigger plan_versions_stay before update or delete on plan_versions
                for each row execute function refuse_change();
            create trigger access_log_stays before update or delete on access_log
                for each row execute function refuse_change();
            SQL
            ,
        );
    }

    public function down(): void
    {
        $tables = [
            'access_log',
            'decisions',
            'dose_changes',
            'reviews',
            'sign_offs',
            'outcomes',
            'tests',
            'check_ins',
            'training_sessions',
            'planned_sessions',
            'stage_entries',
            'plan_versions',
            'cases',
        ];
        foreach ($tables as $table) {
            Schema::dropIfExists($table);
        }
        DB::unprepared('drop function if exists refuse_change()');
    }

    private function ofCase(string $name, callable $columns): void
    {
        Schema::create($name, static function (Blueprint $table) use ($columns): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $columns($table);
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
        });
    }
};
