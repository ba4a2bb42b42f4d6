<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Papers with their versions, files that are made in the background, and the address at the head of a letter. */
return new class extends Migration {
    public function up(): void
    {
        Schema::table('practices', static fn(Blueprint $table) => $table->string('address', 300)->nullable());
        DB::table('practices')
            ->where('demo', true)
            ->update(['address' => 'Old Mill Lane 4, 1100-001 Lisbon']);
        Schema::create('papers', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('case_id')->index();
            $table->string('kind', 20);
            $table->uuid('user_id');
            $table->timestampTz('created_at');
            $table->unsignedSmallInteger('signed_version')->nullable();
            $table->uuid('signed_by')->nullable();
            $table->timestampTz('signed_at')->nullable();
            // Whom the athlete agreed to: by whom it was given, on which day, how, and whether the diagnosis may be named.
            $table->jsonb('consent')->nullable();
            $table->timestampTz('discarded_at')->nullable();
            $table->unique(['practice_id', 'id']);
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'signed_by'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        Schema::create('paper_versions', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('paper_id');
            $table->unsignedSmallInteger('number');
            $table->uuid('user_id');
            $table->timestampTz('at');
            $table->text('content');
            $table->unique(['paper_id', 'number']);
            $table
                ->foreign(['practice_id', 'paper_id'])
                ->references(['practice_id', 'id'])
                ->on('papers');
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
        });
        Schema::create('made_files', static function (Blueprint $table): void {
            $table->uuid('id')->primary();
            $table->uuid('practice_id');
            $table->uuid('user_id');
            $table->uuid('case_id')->nullable();
            $table->string('kind', 20);
            $table->jsonb('options');
            $table->string('state', 12);
            $table->unsignedSmallInteger('done')->default(0);
            $table->unsignedSmallInteger('steps');
            $table->string('name', 200);
            $table->unsignedInteger('bytes')->nullable();
            $table->string('problem', 300)->nullable();
            $table->timestampTz('created_at')->index();
            $table->timestampTz('finished_at')->nullable();
            $table
                ->foreign(['practice_id', 'user_id'])
                ->references(['practice_id', 'id'])
                ->on('users');
            $table
                ->foreign(['practice_id', 'case_id'])
                ->references(['practice_id', 'id'])
                ->on('cases');
        });
        DB::unprepared(
            'create trigger paper_versions_stay before update or delete on paper_versions for each row execute function refuse_change()',
        );
    }

    public function down(): void
    {
        foreach (['made_files', 'paper_versions', 'papers'] as $table) {
            Schema::dropIfExists($table);
        }
        Schema::table('practices', static fn(Blueprint $table) => $table->dropColumn('address'));
    }
};
