<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** How long an exercise rests that is too much at its easiest is a limit of the school now, and no longer known by its name. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement(
            "update cases set response_rule = jsonb_set(response_rule, '{rest_days}', case when response_rule->>'name' in ('comfort', 'within_the_hour') then '14'::jsonb else '7'::jsonb end) where not jsonb_exists(response_rule, 'rest_days')",
        );
        // What was kept of a case lacks what is kept now: it is looked at again at the next start.
        DB::table('cases')->update(['evaluated_at' => null, 'course' => null]);
    }

    public function down(): void
    {
        DB::statement("update cases set response_rule = response_rule - 'rest_days'");
    }
};
