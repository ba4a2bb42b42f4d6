<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A session that a practitioner moved stays where it was put, as long as the plan asks for it on the day that it came from. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('planned_sessions', static function (Blueprint $table): void {
            $table->date('moved_from')->nullable();
            $table->dropUnique(['case_id', 'on', 'slot', 'number']);
        });
        // What is withdrawn keeps no place from what is moved there.
        DB::statement(
            'create unique index planned_sessions_place on planned_sessions (case_id, "on", slot, number) where not withdrawn',
        );
    }

    public function down(): void
    {
        DB::statement('drop index planned_sessions_place');
        Schema::table('planned_sessions', static function (Blueprint $table): void {
            $table->dropColumn('moved_from');
            $table->unique(['case_id', 'on', 'slot', 'number']);
        });
    }
};
