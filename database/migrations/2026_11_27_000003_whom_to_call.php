<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Whom an athlete calls: shown on the phone wherever loading is stopped. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('practices', static function (Blueprint $table): void {
            $table->string('telephone', 40)->nullable();
            $table->string('hours', 200)->nullable();
        });
        DB::table('practices')
            ->where('demo', true)
            ->update(['telephone' => '+351 210 000 000', 'hours' => 'Monday to Friday, 9:00 to 18:00']);
    }

    public function down(): void
    {
        Schema::table('practices', static fn(Blueprint $table) => $table->dropColumn(['telephone', 'hours']));
    }
};
