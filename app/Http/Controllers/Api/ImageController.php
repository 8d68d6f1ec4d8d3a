<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\StoreImage;
use App\Engine\EditReport;
use App\Http\Controllers\Controller;
use App\Models\Image;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Insignum\Sheet\Override;
use Insignum\Sheet\SheetWriter;

/** Images that the owner puts in for backgrounds. */
final class ImageController extends Controller
{
    public function index(Site $site): JsonResponse
    {
        $this->authorize('view', $site);
        $uses = [];
        foreach ($site->sheet()->entries as $entry) {
            if ($entry instanceof Override) {
                foreach (Image::usedIn(SheetWriter::override($entry, true)) as $name) {
                    $uses[$name][] = ['id' => $entry->id, 'selector' => $entry->selector];
                }
            }
        }
        $rows = [];
        foreach ($site->images()->get() as $image) {
            $rows[] = [...EditReport::image($image->asset()), 'name' => $image->name, 'uses' => $uses[$image->name] ?? [], 'isLive' => $image->sent_hash === $image->hash];
        }

        return response()->json($rows);
    }

    public function store(Request $request, Site $site, StoreImage $store): JsonResponse
    {
        $this->authorize('update', $site);
        $kilobytes = intdiv(config()->integer('insignum.import.image_bytes'), 1024);
        $data = $request->validate(['file' => ['required', 'file', "max:$kilobytes"], 'replaces' => ['nullable', 'string', 'max:100']], ['file.max' => 'The image is larger than '.intdiv($kilobytes, 1024).' MB. Nothing was stored: make it smaller first, visitors would wait for it too.']);
        if ($site->images()->count() >= 200 && ($data['replaces'] ?? null) === null) {
            throw new Refusal('too-many-images', 'There are 200 images already. Take one away first.');
        }
        $image = $store->handle($site, $data['file'], $data['replaces'] ?? null);

        return response()->json(EditReport::image($image->asset()), 201);
    }

    public function destroy(Site $site, string $name): JsonResponse
    {
        $this->authorize('update', $site);
        if (in_array($name, Image::usedIn(SheetWriter::whole($site->sheet())), true)) {
            throw new Refusal('image-in-use', 'An override of the sheet uses this image. Nothing was taken away.', 409);
        }
        $site->images()->where('name', $name)->firstOrFail()->delete();

        return response()->json(null, 204);
    }
}
