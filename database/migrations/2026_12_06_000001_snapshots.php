<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/**
 * How a case stands is kept in codes and numbers, beside the line that the Round draws of it. Cases are evaluated again
 * when Rung is started next; until then a stop is known from that line.
 */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table cases rename column standing to round_line');
        DB::statement('alter table cases add column snapshot json');
        DB::statement('update cases set evaluated_at = null');
    }

    public function down(): void
    {
        DB::statement('alter table cases drop column snapshot');
        DB::statement('alter table cases rename column round_line to standing');
    }
};
