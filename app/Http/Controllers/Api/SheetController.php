<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\ChangeSheet;
use App\Engine\MarkReport;
use App\Engine\SheetReport;
use App\Engine\SiteEngine;
use App\Http\Controllers\Controller;
use App\Http\Requests\KeepRequest;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Sheet\Heading;
use Insignum\Sheet\Override;
use Insignum\Sheet\RawBlock;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetReader;

/** Changes of the draft. Each names the revision it was made on and answers with the sheet as it stands then. */
final class SheetController extends Controller
{
    public function __construct(private readonly ChangeSheet $changes)
    {
    }

    public function show(Site $site): JsonResponse
    {
        $this->authorize('view', $site);

        return $this->answer($site);
    }

    public function keep(KeepRequest $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);
        $override = $request->override();
        try {
            SelectorParser::parse($override->fullSelector());
        } catch (InvalidSelector $error) {
            throw new Refusal('broken-selector', "This selector is broken: {$error->getMessage()} Nothing was saved; mend it and keep it again.");
        }
        $snapshot = $site->snapshot();
        if ($snapshot !== null && $override->marks !== []) {
            $override = $override->withMarks(MarkReport::printed(SiteEngine::for($snapshot)->pages(), $override->marks));
        }
        $added = $request->added();
        $label = ($site->sheet()->find($override->id) === null ? 'New override ' : 'Change to ').$override->selector;

        return $this->change($site, $request->seen(), $label, static fn (Sheet $sheet): Sheet => $added === null ? $sheet->with($override) : $sheet->with($override)->with($added));
    }

    /** What the site puts in front of all its selectors; nothing that is kept already changes. */
    public function scope(Request $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);
        $scope = trim((string) ($request->validate(['scope' => ['nullable', 'string', 'max:200']])['scope'] ?? ''));
        try {
            $isOne = $scope === '' || count(SelectorParser::parse($scope)->selectors) === 1;
        } catch (InvalidSelector $error) {
            throw new Refusal('broken-selector', "This scope is broken: {$error->getMessage()} The one before is kept.");
        }
        if (! $isOne) {
            throw new Refusal('broken-selector', 'A scope is one selector, without commas. The one before is kept.');
        }
        $site->update(['scope' => $scope]);

        return $this->answer($site);
    }

    public function remove(Request $request, Site $site, string $id): JsonResponse
    {
        $this->authorize('update', $site);

        return $this->change($site, $this->seen($request), 'Removal of '.$this->name($site, $id), static fn (Sheet $sheet): Sheet => $sheet->without($id));
    }

    public function move(Request $request, Site $site, string $id): JsonResponse
    {
        $this->authorize('update', $site);
        $position = $request->validate(['position' => ['required', 'integer', 'min:0']])['position'];

        return $this->change($site, $this->seen($request), 'New place of '.$this->name($site, $id), static fn (Sheet $sheet): Sheet => $sheet->moved($id, (int) $position));
    }

    public function switch(Request $request, Site $site, string $id): JsonResponse
    {
        $this->authorize('update', $site);
        $enabled = $request->boolean('enabled');

        return $this->change($site, $this->seen($request), ($enabled ? 'Switching on ' : 'Switching off ').$this->name($site, $id), static function (Sheet $sheet) use ($id, $enabled): Sheet {
            $entry = $sheet->find($id);

            return $entry instanceof Override ? $sheet->with($entry->switched($enabled)) : $sheet;
        });
    }

    public function heading(Request $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);
        $data = $request->validate(['text' => ['required', 'string', 'max:200'], 'id' => ['nullable', 'string', 'max:40']]);
        $heading = new Heading($data['id'] ?? self::newId(), trim($data['text']));

        return $this->change($site, $this->seen($request), "Heading “{$heading->text}”", static fn (Sheet $sheet): Sheet => $sheet->with($heading));
    }

    /** CSS pasted in: its rules become overrides, the rest is kept as it is. */
    public function import(Request $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);
        $css = $request->validate(['css' => ['required', 'string', 'max:500000']])['css'];
        $read = SheetReader::read($css, self::newId(...));

        return $this->change($site, $this->seen($request), 'CSS read in', static fn (Sheet $sheet): Sheet => new Sheet([...$sheet->entries, ...$read->entries]));
    }

    public function undo(Request $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);

        return $this->answer($this->changes->undo($site, $this->seen($request)));
    }

    public function redo(Request $request, Site $site): JsonResponse
    {
        $this->authorize('update', $site);

        return $this->answer($this->changes->redo($site, $this->seen($request)));
    }

    /** @param  callable(Sheet): Sheet  $change */
    private function change(Site $site, int $seen, string $label, callable $change): JsonResponse
    {
        return $this->answer($this->changes->handle($site, $seen, $label, $change));
    }

    private function answer(Site $site): JsonResponse
    {
        $snapshot = $site->snapshot();

        return response()->json(SheetReport::of($site, $snapshot === null ? null : SiteEngine::for($snapshot)));
    }

    private function seen(Request $request): int
    {
        return (int) $request->validate(['revision' => ['required', 'integer', 'min:0']])['revision'];
    }

    private function name(Site $site, string $id): string
    {
        $entry = $site->sheet()->find($id) ?? abort(404);

        return match (true) {
            $entry instanceof Override => $entry->selector,
            $entry instanceof Heading => "“{$entry->text}”",
            $entry instanceof RawBlock => Str::limit($entry->css, 40),
            default => $id,
        };
    }

    private static function newId(): string
    {
        return Str::lower((string) Str::ulid());
    }
}
