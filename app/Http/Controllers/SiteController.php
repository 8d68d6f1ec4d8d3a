<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\BringIn;
use App\Engine\EditReport;
use App\Engine\PreviewAddress;
use App\Engine\SheetReport;
use App\Engine\SiteEngine;
use App\Http\Requests\StoreSiteRequest;
use App\Models\Page;
use App\Models\Release;
use App\Models\Site;
use App\Models\Snapshot;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response;
use Insignum\Sheet\SheetWriter;

final class SiteController extends Controller
{
    public function index(Request $request): Response
    {
        /** @var User $user */
        $user = $request->user();

        return Inertia::render('Sites', ['sites' => $user->sites()->orderBy('name')->get()->map($this->summary(...))->all()]);
    }

    public function create(): Response
    {
        return Inertia::render('AddSite', ['limits' => config()->array('insignum.import')]);
    }

    public function store(StoreSiteRequest $request, BringIn $bringIn): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $site = $user->sites()->create(['name' => $request->safe()->string('name')->toString()]);
        $bringIn->handle($site, $request->uploads());

        return redirect("/sites/{$site->id}");
    }

    public function show(Site $site): Response
    {
        $this->authorize('view', $site);
        $snapshot = $site->snapshot();
        if ($snapshot === null) {
            return Inertia::render('Arriving', ['site' => $this->summary($site), 'snapshot' => $this->progress($site)]);
        }
        $engine = SiteEngine::for($snapshot);

        return Inertia::render('Restyle', [
            'site' => $this->summary($site),
            'pages' => array_map(static fn (Page $page): array => ['path' => $page->path, 'title' => $page->title, 'elements' => $page->elements], $engine->rows()),
            'breakpoints' => $engine->breakpoints(),
            'preview' => PreviewAddress::base($snapshot),
            'images' => array_map(EditReport::image(...), $engine->images()),
            'sheet' => SheetReport::of($site, $engine),
        ]);
    }

    public function sheet(Site $site): Response
    {
        $this->authorize('view', $site);
        $snapshot = $site->snapshot();

        return Inertia::render('Sheet', ['site' => $this->summary($site), 'preview' => $snapshot === null ? null : PreviewAddress::base($snapshot), 'sheet' => SheetReport::of($site, $snapshot === null ? null : SiteEngine::for($snapshot))]);
    }

    public function download(Site $site): PlainResponse
    {
        $this->authorize('view', $site);

        return response(SheetWriter::whole($site->sheet()), 200, [
            'Content-Type' => 'text/css; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="'.(Str::slug($site->name) ?: 'site').'-overrides.css"',
        ]);
    }

    public function destination(Request $request, Site $site): RedirectResponse
    {
        $this->authorize('update', $site);
        $data = $request->validate([
            'url' => ['nullable', 'url:http,https', 'max:300'],
            'token' => ['nullable', 'string', 'max:300'],
        ]);
        $site->update(['destination_url' => $data['url'] ?? null, ...(($data['token'] ?? '') === '' ? [] : ['destination_token' => $data['token']])]);

        return back();
    }

    public function snapshot(Site $site): JsonResponse
    {
        $this->authorize('view', $site);

        return response()->json($this->progress($site));
    }

    public function cancel(Site $site): JsonResponse
    {
        $this->authorize('update', $site);
        $site->snapshots()->whereIn('state', [Snapshot::WAITING, Snapshot::READING])->update(['state' => Snapshot::CANCELLED, 'message' => 'Cancelled. What was read so far is not used.']);

        return response()->json($this->progress($site));
    }

    /** @return array<string, mixed> */
    private function summary(Site $site): array
    {
        $snapshot = $site->snapshot();
        $live = $site->liveRelease();

        return [
            'id' => $site->id,
            'name' => $site->name,
            'theme' => $site->theme,
            'destination' => $site->destination_url,
            'pages' => $snapshot?->pages()->count() ?? 0,
            'notices' => $snapshot->notices ?? [],
            'snapshot' => $this->progress($site),
            'overrides' => count($site->sheet()->active()),
            'live' => $live === null ? null : ['number' => $live->number, 'at' => $live->created_at?->toIso8601String(), 'same' => $live->css === SheetWriter::live($site->sheet())],
            'releases' => $site->releases()->where('state', '!=', Release::FAILED)->count(),
        ];
    }

    /** @return array{state: string, progress: int, message: ?string}|null of the newest snapshot */
    private function progress(Site $site): ?array
    {
        $newest = $site->snapshots()->first();

        return $newest === null ? null : ['state' => $newest->state, 'progress' => $newest->progress, 'message' => $newest->message];
    }
}
