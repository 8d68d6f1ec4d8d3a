<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('sites', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('name');
            $table->string('theme')->default('');
            $table->string('destination_url')->nullable();
            $table->text('destination_token')->nullable();
            // Where the draft stands among its revisions: undo and redo move it.
            $table->unsignedInteger('revision')->default(0);
            $table->timestamps();
        });
        Schema::create('snapshots', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('site_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            $table->string('state');
            $table->string('hash', 64)->nullable();
            $table->unsignedTinyInteger('progress')->default(0);
            $table->text('message')->nullable();
            $table->json('notices');
            $table->timestamps();
            $table->unique(['site_id', 'number']);
        });
        Schema::create('pages', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('snapshot_id')->constrained()->cascadeOnDelete();
            $table->string('path', 500);
            $table->string('title', 500);
            $table->string('hash', 64);
            $table->unsignedInteger('elements');
            $table->unsignedInteger('position');
            $table->unique(['snapshot_id', 'path']);
        });
        Schema::create('stylesheets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('snapshot_id')->constrained()->cascadeOnDelete();
            $table->string('path', 500);
            $table->string('hash', 64);
            $table->unsignedInteger('bytes');
            $table->unique(['snapshot_id', 'path']);
        });
        Schema::create('assets', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('snapshot_id')->constrained()->cascadeOnDelete();
            $table->string('path', 500);
            $table->string('hash', 64);
            $table->string('mime', 100);
            $table->unsignedInteger('bytes');
            $table->unsignedInteger('width')->nullable();
            $table->unsignedInteger('height')->nullable();
            $table->json('samples')->nullable();
            $table->unique(['snapshot_id', 'path']);
        });
        Schema::create('revisions', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('site_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('number');
            // The revision it was made from; 0 is the empty sheet. Undo goes there, redo to the newest one made from here.
            $table->unsignedInteger('parent');
            $table->string('label');
            $table->timestamp('created_at')->useCurrent();
            $table->unique(['site_id', 'number']);
        });
        Schema::create('overrides', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('revision_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('position');
            $table->string('key', 40);
            $table->string('kind', 10);
            $table->text('selector')->nullable();
            $table->json('declarations')->nullable();
            $table->text('text')->nullable();
            $table->boolean('enabled')->default(true);
            $table->unsignedInteger('width_from')->nullable();
            $table->unsignedInteger('width_to')->nullable();
            $table->string('state', 20)->default('');
            $table->text('meant')->nullable();
            $table->unique(['revision_id', 'position']);
        });
        Schema::create('releases', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('site_id')->constrained()->cascadeOnDelete();
            $table->foreignId('revision_id')->constrained();
            $table->unsignedInteger('number');
            $table->longText('css');
            $table->string('hash', 64);
            $table->string('state', 12);
            $table->unsignedInteger('restored_from')->nullable();
            $table->json('proof');
            $table->timestamps();
            $table->unique(['site_id', 'number']);
        });
    }

    public function down(): void
    {
        foreach (['releases', 'overrides', 'revisions', 'assets', 'stylesheets', 'pages', 'snapshots', 'sites'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
