<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Practices, rehearsals and shows that are expected, with their minutes and effort: they count in the week's sums. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('cases', static function (Blueprint $table): void {
            $table->jsonb('expected_sport')->default('[]');
        });
    }

    public function down(): void
    {
        Schema::table('cases', static function (Blueprint $table): void {
            $table->dropColumn('expected_sport');
        });
    }
};
