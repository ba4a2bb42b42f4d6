<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** An opening may end with a letter to somebody else instead of a case. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('openings', static function (Blueprint $table): void {
            $table->timestampTz('referred_at')->nullable();
            $table->jsonb('referral')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('openings', static fn(Blueprint $table) => $table->dropColumn(['referred_at', 'referral']));
    }
};
