<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('images', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('site_id')->constrained()->cascadeOnDelete();
            $table->string('name', 100);
            $table->string('hash', 64);
            $table->string('mime', 100);
            $table->unsignedInteger('bytes');
            $table->unsignedInteger('width')->nullable();
            $table->unsignedInteger('height')->nullable();
            $table->json('samples')->nullable();
            // What was last put on the live site, so that it is sent again only when it was replaced.
            $table->string('sent_hash', 64)->nullable();
            $table->timestamps();
            $table->unique(['site_id', 'name']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('images');
    }
};
