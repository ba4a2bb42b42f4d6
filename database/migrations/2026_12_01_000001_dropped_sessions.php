<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A session that a practitioner left out is not asked for again when the calendar is filled up. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('planned_sessions', static function (Blueprint $table): void {
            $table->boolean('dropped')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('planned_sessions', static function (Blueprint $table): void {
            $table->dropColumn('dropped');
        });
    }
};
