<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Of two answers for a morning the one that was entered last counts, not the one that came in last; what comes in after a case was closed is kept with a mark. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('check_ins', static function (Blueprint $table): void {
            $table->timestampTz('made_at')->useCurrent();
            $table->boolean('after_close')->default(false);
        });
        DB::statement('update check_ins set made_at = created_at');
        Schema::table('training_sessions', static function (Blueprint $table): void {
            $table->boolean('after_close')->default(false);
        });
    }

    public function down(): void
    {
        Schema::table('check_ins', static function (Blueprint $table): void {
            $table->dropColumn(['made_at', 'after_close']);
        });
        Schema::table('training_sessions', static function (Blueprint $table): void {
            $table->dropColumn('after_close');
        });
    }
};
