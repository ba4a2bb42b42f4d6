<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** The date of birth says whether a joint may still grow. It may stay unknown. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('athletes', static fn(Blueprint $table) => $table->date('born_on')->nullable());
    }

    public function down(): void
    {
        Schema::table('athletes', static fn(Blueprint $table) => $table->dropColumn('born_on'));
    }
};
