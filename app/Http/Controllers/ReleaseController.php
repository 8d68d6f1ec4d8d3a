<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ChangeSheet;
use App\Actions\ReleaseSheet;
use App\Models\Release;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use SebastianBergmann\Diff\Differ;
use SebastianBergmann\Diff\Output\DiffOnlyOutputBuilder;

final class ReleaseController extends Controller
{
    public function index(Site $site): Response
    {
        $this->authorize('view', $site);

        return Inertia::render('Releases', [
            'site' => ['id' => $site->id, 'name' => $site->name, 'destination' => $site->destination_url, 'hasToken' => $site->destination_token !== null],
            'difference' => $this->against($site),
            'revision' => $site->revision,
            'titles' => (object) ($site->snapshot()?->pages()->pluck('title', 'path')->map(static fn (string $title): string => Str::before($title, ' · '))->all() ?? []),
            'releases' => $site->releases()->get()->map($this->release(...))->all(),
        ]);
    }

    public function store(Request $request, Site $site, ReleaseSheet $release): JsonResponse
    {
        $this->authorize('update', $site);
        $data = $request->validate(['revision' => ['required', 'integer', 'min:0'], 'overwrite' => ['boolean']]);

        return response()->json($this->release($release->draft($site, (int) $data['revision'], (bool) ($data['overwrite'] ?? false))), 201);
    }

    /** An earlier release goes live again. */
    public function again(Request $request, Site $site, int $number, ReleaseSheet $release): JsonResponse
    {
        $this->authorize('update', $site);

        return response()->json($this->release($release->again($site, $this->find($site, $number), $request->boolean('overwrite'))), 201);
    }

    /** The draft becomes what an earlier release was; undo takes it back. */
    public function toDraft(Request $request, Site $site, int $number, ChangeSheet $changes): JsonResponse
    {
        $this->authorize('update', $site);
        $seen = (int) $request->validate(['revision' => ['required', 'integer', 'min:0']])['revision'];
        $sheet = $this->find($site, $number)->revision?->sheet() ?? throw new Refusal('no-revision', 'The draft of that release is not kept any more.');
        $site = $changes->handle($site, $seen, "Draft set to release $number", static fn (): Sheet => $sheet);

        return response()->json(['revision' => $site->revision]);
    }

    private function find(Site $site, int $number): Release
    {
        return $site->releases()->where('number', $number)->firstOrFail();
    }

    /** @return array<string, mixed> */
    private function release(Release $release): array
    {
        return [
            'number' => $release->number,
            'state' => $release->state,
            'at' => $release->created_at?->toIso8601String(),
            'hash' => substr($release->hash, 0, 12),
            'restoredFrom' => $release->restored_from,
            'proof' => (object) $release->proof,
            'css' => $release->css,
        ];
    }

    /** @return list<array{sign: string, text: string}> the draft's lines against what is live; empty where nothing differs */
    private function against(Site $site): array
    {
        $live = $site->liveRelease()->css ?? '';
        $draft = SheetWriter::live($site->sheet());
        if ($live === $draft) {
            return [];
        }
        $rows = array_values((new Differ(new DiffOnlyOutputBuilder))->diffToArray($live, $draft));

        return array_map(static fn (array $row): array => ['sign' => [Differ::ADDED => '+', Differ::REMOVED => '-'][$row[1]] ?? ' ', 'text' => rtrim((string) $row[0], "\n")], $rows);
    }
}
