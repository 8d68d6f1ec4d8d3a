<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Import\Archive;
use App\Import\FileKind;
use App\Import\IncomingFile;
use App\Import\Limits;
use App\Import\SitePath;
use App\Import\SnapshotReader;
use App\Models\Snapshot;
use App\Support\Refusal;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Queue\Middleware\WithoutOverlapping;
use Illuminate\Support\Facades\Storage;

/** Reads an upload that waits on the local disk into a snapshot, with progress. */
final class ImportSnapshot implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 300;

    /** @param  list<array{file: string, path: string}>  $uploads stored file and the path it came with */
    public function __construct(public readonly Snapshot $snapshot, public readonly array $uploads)
    {
    }

    /** @return list<object> */
    public function middleware(): array
    {
        return [new WithoutOverlapping("snapshot-{$this->snapshot->id}")];
    }

    public function handle(SnapshotReader $reader): void
    {
        if ($this->isCancelled()) {
            return;
        }
        $this->snapshot->update(['state' => Snapshot::READING]);
        try {
            $reader->read($this->snapshot, $this->files(Limits::configured()), Limits::configured(), $this->report(...));
            // Unless it was cancelled meanwhile.
            Snapshot::query()->whereKey($this->snapshot->id)->where('state', Snapshot::READING)->update(['state' => Snapshot::READY, 'progress' => 100]);
        } catch (Refusal $refusal) {
            $this->snapshot->update(['state' => Snapshot::FAILED, 'message' => $refusal->getMessage()]);
        } finally {
            Storage::delete(array_column($this->uploads, 'file'));
        }
    }

    public function failed(?\Throwable $error): void
    {
        $this->snapshot->update(['state' => Snapshot::FAILED, 'message' => 'Reading the files stopped with a fault of ours. Nothing of the site before was touched; please try again.']);
    }

    private function report(int $progress): bool
    {
        $this->snapshot->update(['progress' => $progress]);

        return ! $this->isCancelled();
    }

    private function isCancelled(): bool
    {
        return Snapshot::query()->whereKey($this->snapshot->id)->value('state') === Snapshot::CANCELLED;
    }

    /** @return list<IncomingFile> */
    private function files(Limits $limits): array
    {
        $files = [];
        foreach ($this->uploads as ['file' => $file, 'path' => $given]) {
            if (FileKind::of($given) === FileKind::Archive) {
                array_push($files, ...Archive::files($this->localCopy($file), $limits));

                continue;
            }
            $path = SitePath::clean($given) ?? throw new Refusal('path-leaves-archive', "“{$given}” is not a path within a site. Nothing was stored.");
            $files[] = new IncomingFile($path, Storage::size($file), static fn (): string => (string) Storage::get($file));
        }

        return $files;
    }

    /** ZIP archives are read at random places, which needs a real file, wherever the disk keeps it. */
    private function localCopy(string $file): string
    {
        $copy = tempnam(sys_get_temp_dir(), 'insignum');
        $stream = Storage::readStream($file);
        if ($copy === false || $stream === null) {
            throw new Refusal('upload-lost', 'The upload can’t be found any more. Nothing was stored; please choose the files again.');
        }
        file_put_contents($copy, $stream);
        app()->terminating(static fn () => @unlink($copy));

        return $copy;
    }
}
