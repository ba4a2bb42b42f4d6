<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A stop that came in after a case was closed brings the case back to the Round until it is reviewed. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('cases', static fn(Blueprint $table) => $table->boolean('stopped_after_close')->default(false));
        DB::statement('drop index cases_round');
        DB::statement(
            'create index cases_round on cases (practice_id, attention_rank, opened_on, id) include (attention_group) where closed_on is null or stopped_after_close',
        );
        // What came in under the last version is looked at again by ./rung start.
        DB::statement('update cases set evaluated_at = null where closed_on is not null and (
            exists (select 1 from check_ins as c where c.case_id = cases.id and c.after_close)
            or exists (select 1 from training_sessions as s where s.case_id = cases.id and s.after_close))');
    }

    public function down(): void
    {
        DB::statement('drop index cases_round');
        DB::statement(
            'create index cases_round on cases (practice_id, attention_rank, opened_on, id) include (attention_group) where closed_on is null',
        );
        Schema::table('cases', static fn(Blueprint $table) => $table->dropColumn('stopped_after_close'));
    }
};
