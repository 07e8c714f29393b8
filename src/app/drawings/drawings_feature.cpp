// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/drawings/drawings_feature.h"

#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QFileInfo>
#include <QImage>
#include <QMimeData>
#include <QUrl>

#include "app/asking/file_names.h"
#include "app/drawings/sheet_canvas.h"
#include "app/model/activity.h"
#include "app/model/document.h"
#include "app/model/drawings_in_view.h"
#include "app/model/in_view.h"
#include "app/model/wishes.h"
#include "project/edits.h"
#include "render/tr.h"

namespace yemvo::app {

DrawingsFeature::DrawingsFeature(Shell& shell)
    : Feature(shell), page_(new PreparePage(workspace_, shell.frame())) {
    shell.page(
        page_,
        [] {
            return Hint{tr("Prepare"),
                        {{"", tr("drag a frame round what is wanted")},
                         {"V", tr("pick a line that is level")},
                         {tr("Enter"), tr("lay it")},
                         {tr("Esc"), tr("cancel")}}};
        },
        Shell::PageKind::task);
    shell.command("plan.floors", {"plan.choose-drawing", tr("Choose a drawing…"), QKeySequence("Ctrl+D"),
                                  [this] { choose(); }});
    shell.works({[this] { return reader_.words(); }});
    connect(&reader_, &Behind::progressed, this, [this] { shell_.work_changed(); });
    shell.takes_dropped([this](const QStringList& files, QPoint) { return take(files); });
    const Wishes& wishes = workspace_.wishes();
    connect(&wishes, &Wishes::choose_drawing, this, &DrawingsFeature::choose);
    connect(&wishes, &Wishes::choose_revision, this, &DrawingsFeature::choose_revision);
    connect(&wishes, &Wishes::prepare_drawing, this, &DrawingsFeature::prepare_again);
    connect(&wishes, &Wishes::paste_drawing, this, &DrawingsFeature::paste);
    connect(&workspace_.document(), &Document::opened, this, [this] {
        dropped_.clear();
        reader_.stop();
        page_->close_file();
    });
    connect(page_, &PreparePage::prepared, this, &DrawingsFeature::lay);
    connect(page_, &PreparePage::left, this, [this] {
        // one Escape ends it, however many files were dropped at once
        if (!dropped_.isEmpty())
            workspace_.tell(dropped_.size() == 1
                                ? tr("Cancelled; the other file was not laid either")
                                : counted("Cancelled; the other file was not laid either",
                                          "Cancelled; the other %n files were not laid either",
                                          dropped_.size()));
        dropped_.clear();
        leave();
    });
}

bool DrawingsFeature::is_preparing() const { return shell_.is_in_front(page_); }
bool DrawingsFeature::is_working() const {
    return opening_ > 0 || page_->is_working() || !page_->canvas().is_idle();
}

void DrawingsFeature::choose() {
    if (!workspace_.floor()) return;
    const QString name = shell_.asking().open_file(tr("Choose the drawing of this floor"), drawing_filter());
    if (!name.isEmpty()) import(name);
}

void DrawingsFeature::choose_revision(DrawingId id) {
    const QString name = shell_.asking().open_file(tr("Choose the newer revision"), drawing_filter());
    if (!name.isEmpty()) import(name, PrepareTask::Kind::revise, id);
}

/// What was being opened is given up for it.
void DrawingsFeature::open(const QString& name, const PrepareTask& task,
                           std::function<OpenedFile(const CancelToken&)> how) {
    page_->wait_for(name);
    shell_.show_page(page_);
    ++opening_;
    Job opening = job(
        tr("Reading %1").arg(name), [how = std::move(how)](const AtWork& at) { return how(at.cancel()); },
        [this, task](OpenedFile f) {
            if (!is_preparing()) return page_->close_file();  // something else came to the front
            if (!find_floor(workspace_.project(), task.floor)) return leave();
            page_->begin(task, std::move(f));
        },
        [this](const QString& why) {
            leave();
            workspace_.tell(why, true);
        });
    opening.ended = [this] { --opening_; };
    reader_.request(std::move(opening));
}

void DrawingsFeature::import(const QString& file, PrepareTask::Kind kind, DrawingId drawing) {
    if (!workspace_.floor()) return;
    open(QFileInfo(file).fileName(), {kind, workspace_.floor_id(), drawing},
         [file](const CancelToken& cancel) { return open_drawing(file, cancel); });
}

void DrawingsFeature::import_bytes(const std::string& name, Shared<Bytes> bytes, const PrepareTask& task) {
    int page = 0;
    if (const Drawing* d = find_drawing(*find_floor(workspace_.project(), task.floor), task.drawing))
        page = d->source.page;
    open(QString::fromStdString(name), task,
         [name, bytes = std::move(bytes), page](const CancelToken& cancel) {
             return open_drawing(name, bytes, page, cancel);
         });
}

void DrawingsFeature::prepare_again(DrawingId id) {
    const Floor* floor = workspace_.floor();
    const Drawing* drawing = floor ? find_drawing(*floor, id) : nullptr;
    if (!drawing) return;
    const auto asset = workspace_.project().assets.find(drawing->source.asset);
    if (asset == workspace_.project().assets.end())
        return workspace_.tell(
            tr("The file of this drawing is missing: choose it again as its newer revision"), true);
    import_bytes(drawing->source.asset, asset->second, {PrepareTask::Kind::again, floor->id, id});
}

void DrawingsFeature::lay(const Prepared& prepared) {
    const FloorId floor = prepared.task.floor;
    if (!find_floor(workspace_.project(), floor)) return leave();
    Drawing drawing = prepared.drawing;
    const auto with_asset = [&](Project& p) {
        drawing.source.asset = add_asset(p, prepared.file.name, *prepared.file.bytes);
    };
    switch (prepared.task.kind) {
        case PrepareTask::Kind::lay:
            workspace_.edit(tr("Lay drawing"), [&](Project& p) {
                with_asset(p);
                drawing.id = add_drawing(p, floor, drawing);
            });
            break;
        case PrepareTask::Kind::revise:
            workspace_.edit(tr("Replace drawing"), [&](Project& p) {
                with_asset(p);
                replace_drawing(p, floor, drawing);
            });
            break;
        case PrepareTask::Kind::again:
            workspace_.edit(tr("Prepare drawing"), [&](Project& p) { replace_drawing(p, floor, drawing); });
            break;
    }
    leave();
    workspace_.in_view().show_floor(floor);
    workspace_.activity().set_step(Step::venue);
    workspace_.drawings().choose(drawing.id);
    if (prepared.task.kind == PrepareTask::Kind::lay) {
        emit workspace_.wishes().fit_plan();
        workspace_.tell(drawing.to_scale()
                            ? tr("The drawing is to scale: check a length that you know to be sure (L)")
                            : tr("Now give it a scale: L, two clicks on a length you know, and type it"));
    } else if (prepared.task.kind == PrepareTask::Kind::revise) {
        workspace_.drawings().compare({Comparison::Show::difference, drawing.id});
        workspace_.tell(tr("What the older revision alone has is red, what the newer alone has is blue"));
    }
}

void DrawingsFeature::leave() {
    reader_.stop();
    page_->close_file();
    shell_.leave_page();
    next_dropped();
}

bool DrawingsFeature::take(const QStringList& files) {
    if (!workspace_.document().is_open()) {
        workspace_.tell(tr("Create or open a project first, then drop the drawing on its floor"), true);
        return true;
    }
    dropped_ << files.mid(1);
    import(files.front());
    return true;
}

void DrawingsFeature::next_dropped() {
    if (dropped_.isEmpty() || !workspace_.document().is_open()) return;
    const QString file = dropped_.takeFirst();
    QMetaObject::invokeMethod(
        this, [this, file] { import(file); }, Qt::QueuedConnection);
}

void DrawingsFeature::paste() {
    const QMimeData* clip = QApplication::clipboard()->mimeData();
    if (!clip || !workspace_.floor()) return;
    if (clip->hasUrls() && clip->urls().front().isLocalFile())
        return import(clip->urls().front().toLocalFile());
    if (!clip->hasImage())
        return workspace_.tell(tr("There is neither a part of a plan nor a drawing on the clipboard"), true);
    const QImage image = qvariant_cast<QImage>(clip->imageData());
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    if (!image.save(&buffer, "PNG"))
        return workspace_.tell(tr("The picture on the clipboard cannot be read"), true);
    const auto* begin = reinterpret_cast<const std::byte*>(png.constData());
    import_bytes(tr("Pasted drawing.png").toStdString(), Bytes(begin, begin + png.size()),
                 {PrepareTask::Kind::lay, workspace_.floor_id(), {}});
}

}  // namespace yemvo::app
