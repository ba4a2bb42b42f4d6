<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** What a plan lets begin by its own condition stands in the record of decisions too; nobody decided it on that day. */
return new class extends Migration {
    public function up(): void
    {
        DB::statement('alter table decisions alter column user_id drop not null');
    }

    public function down(): void
    {
        DB::statement('alter table decisions alter column user_id set not null');
    }
};
