<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('overrides', function (Blueprint $table): void {
            // The sleeping states that it is for, and the examples that it was aimed from.
            $table->json('wears')->nullable();
            $table->json('marks')->nullable();
        });
        Schema::table('sites', function (Blueprint $table): void {
            // What the site puts in front of all its selectors.
            $table->string('scope', 200)->default('');
        });
    }

    public function down(): void
    {
        Schema::table('overrides', fn (Blueprint $table) => $table->dropColumn(['wears', 'marks']));
        Schema::table('sites', fn (Blueprint $table) => $table->dropColumn('scope'));
    }
};
