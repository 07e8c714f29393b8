// What comes into the window from files and goes out to them: projects, drawings, pictures.
#include <QApplication>
#include <QBuffer>
#include <QClipboard>
#include <QCloseEvent>
#include <QFileInfo>
#include <QImage>
#include <QMimeData>
#include <QPointer>
#include <QSettings>
#include <QStackedWidget>
#include <QThreadPool>

#include <QFile>
#include <QMenu>

#include "app/arrange/arranging.h"
#include "app/asking/file_names.h"
#include "app/files/autosave.h"
#include "app/files/notice_bar.h"
#include "app/files/project_files.h"
#include "app/model/activity.h"
#include "app/model/drawings_in_view.h"
#include "app/model/in_view.h"
#include "app/model/results.h"
#include "app/model/selection.h"
#include "app/model/shown_map.h"
#include "app/model/tool_id.h"
#include "app/plan/picking.h"
#include "app/plan/plan_view.h"
#include "app/shell/main_window.h"
#include "demo/demo.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/item.h"
#include "project/items.h"
#include "project/project.h"
#include "project/storage.h"
#include "render/plan_picture.h"

namespace yemvo::app {
namespace {

constexpr int most_recent = 8;

}  // namespace

void MainWindow::open_project(const Project& project, const QString& file, const FileMark& mark) {
    dropped_.clear();
    notices_->clear();
    files_->stop_reading();  // this one is wanted, not what may still be on its way
    document_.open(project, file, mark);
    show_work();
}

void MainWindow::show_work() {
    pages_->setCurrentIndex(1);
    workspace_.activity().set_step(placed_access_points(document_.project()).empty() ? Step::venue
                                                                                     : Step::placement);
    plan_->fit();
    plan_->setFocus();
    refresh_hint();
    refresh_status();
}

void MainWindow::open_file(const QString& file) {
    const QString path = QFileInfo(file).absoluteFilePath();
    read_project(
        QFileInfo(file).fileName(), [path] { return load_project(path.toStdString()); },
        [this, path](const Loaded& loaded) {
            open_project(loaded.project, path, loaded.mark);
            remember(path);
            tell_warnings(loaded.warnings);
            tell_of_newer_work(path);
        },
        "The project could not be opened");
}

/// What is done to the open project while another is read has to be left like any other work.
void MainWindow::read_project(const QString& what, std::function<Loaded()> how,
                              std::function<void(const Loaded&)> done, const QString& failure) {
    files_->read(
        what, std::move(how),
        [this, done = std::move(done), before = document_.project()](const Loaded& loaded) {
            if (!document_.is_open() || document_.project() == before) return done(loaded);
            leave_then([done, loaded] { done(loaded); });
        },
        [this, failure](const QString& why) { asking_.tell_failure(failure, why); });
}

void MainWindow::recover_work(int index) {
    const Leftover leftover = leftovers_.at(static_cast<std::size_t>(index));
    read_project(
        QString::fromStdString(leftover.project),
        [leftover] {
            return Loaded{recover(leftover), {}, leftover.file.empty() ? FileMark{} : mark_of(leftover.file)};
        },
        [this, leftover](const Loaded& loaded) {
            notices_->clear();
            document_.open_unsaved(loaded.project, QString::fromStdString(leftover.file), loaded.mark);
            show_work();
            autosave_->take_over(leftover);
            workspace_.tell("Recovered what was not saved; save it to keep it");
        },
        "The unsaved work could not be recovered");
}

void MainWindow::open_demo() { open_project(demo::make_demo(), {}); }

void MainWindow::save() {
    const QString file = document_.file().isEmpty() ? ask_where_to_save() : document_.file();
    if (!file.isEmpty()) save_then(file, [] {});
}

void MainWindow::save_as() {
    const QString file = ask_where_to_save();
    if (!file.isEmpty()) save_then(file, [] {});
}

QString MainWindow::ask_where_to_save() {
    const QString proposed = document_.file().isEmpty()
                                 ? file_name_for(QString::fromStdString(document_.project().name), ".yemvo")
                                 : document_.file();
    return ask_where_to_write(asking_, "Save the project", proposed, project_filter, ".yemvo");
}

void MainWindow::save_then(const QString& file, const std::function<void()>& go) {
    ProjectFiles::Writing w;
    w.file = file;
    if (file == document_.file()) w.expected = document_.file_mark();
    w.done = [this, file, go](const QStringList& warnings) {
        notices_->drop("disk");
        remember(file);
        workspace_.tell("Saved " + file);
        for (const QString& warning : warnings) workspace_.tell("Saved, but " + warning, true);
        go();
    };
    w.failed = [this](const QString& why) { asking_.tell_failure("The project could not be saved", why); };
    w.changed = [this, go] { compare_with_disk(go); };
    files_->write(std::move(w));
}

void MainWindow::export_picture(const QString& file) {
    if (!workspace_.results().map_prediction())
        return workspace_.tell("The prediction of this floor is not ready yet: try again in a moment", true);
    workspace_.tell("Writing " + file);
    ++working_;
    QThreadPool::globalInstance()->start(
        [self = QPointer<MainWindow>(this), file, project = document_.project(),
         floor = *workspace_.results().map_prediction(), known = workspace_.results().prediction(),
         map = workspace_.shown().map(), other_name = workspace_.shown().other_name().toStdString()] {
            QString failure;
            try {
                const bool held = known->other && known->other->floor == floor.floor;
                render::save_plan_picture(
                    project, *find_floor(project, floor.floor), floor, map, file.toStdString(),
                    {known->other_project.get(), held ? &*known->other : nullptr, other_name});
            } catch (const std::exception& fault) {
                failure = QString::fromUtf8(fault.what());
            }
            QMetaObject::invokeMethod(
                qApp,
                [self, file, failure] {
                    if (!self) return;
                    --self->working_;
                    if (failure.isEmpty()) return self->workspace_.tell("Wrote " + file);
                    self->asking_.tell_failure("The picture could not be written", failure);
                },
                Qt::QueuedConnection);
        });
}

void MainWindow::choose_drawing() {
    if (!workspace_.floor()) return;
    const QString name = asking_.open_file("Choose the drawing of this floor", drawing_filter);
    if (!name.isEmpty()) import_drawing(name);
}

void MainWindow::choose_revision(DrawingId id) {
    const QString name = asking_.open_file("Choose the newer revision", drawing_filter);
    if (!name.isEmpty()) import_drawing(name, PrepareTask::Kind::revise, id);
}

void MainWindow::import_drawing(const QString& file, PrepareTask::Kind kind, DrawingId drawing) {
    if (!workspace_.floor()) return;
    const PrepareTask task{kind, workspace_.floor_id(), drawing};
    const CancelToken token = prepare_->wait_for(QFileInfo(file).fileName());
    pages_->setCurrentWidget(prepare_);
    ++working_;
    open_behind(
        this, file, token, [this, task](OpenedFile f) { opened(task, std::move(f)); },
        [this](const QString& why) {
            --working_;
            leave_preparation();
            workspace_.tell(why, true);
        });
}

void MainWindow::import_bytes(const std::string& name, Shared<Bytes> bytes, const PrepareTask& task) {
    int page = 0;
    if (const Drawing* d = find_drawing(*find_floor(document_.project(), task.floor), task.drawing))
        page = d->source.page;
    const CancelToken token = prepare_->wait_for(QString::fromStdString(name));
    pages_->setCurrentWidget(prepare_);
    ++working_;
    open_behind(
        this, name, std::move(bytes), page, token, [this, task](OpenedFile f) { opened(task, std::move(f)); },
        [this](const QString& why) {
            --working_;
            leave_preparation();
            workspace_.tell(why, true);
        });
}

void MainWindow::prepare_again(DrawingId id) {
    const Floor* floor = workspace_.floor();
    const Drawing* drawing = floor ? find_drawing(*floor, id) : nullptr;
    if (!drawing) return;
    const auto asset = document_.project().assets.find(drawing->source.asset);
    if (asset == document_.project().assets.end())
        return workspace_.tell("The file of this drawing is missing: choose it again as its newer revision",
                               true);
    import_bytes(drawing->source.asset, asset->second, {PrepareTask::Kind::again, floor->id, id});
}

void MainWindow::opened(const PrepareTask& task, OpenedFile file) {
    --working_;
    if (!is_preparing()) return;  // it was cancelled meanwhile
    if (!find_floor(document_.project(), task.floor)) return leave_preparation();
    prepare_->begin(task, std::move(file));
}

void MainWindow::lay(const Prepared& prepared) {
    const FloorId floor = prepared.task.floor;
    if (!find_floor(document_.project(), floor)) return leave_preparation();
    Drawing drawing = prepared.drawing;
    const auto with_asset = [&](Project& p) {
        drawing.source.asset = add_asset(p, prepared.file.name, *prepared.file.bytes);
    };
    switch (prepared.task.kind) {
        case PrepareTask::Kind::lay:
            workspace_.edit("Lay drawing", [&](Project& p) {
                with_asset(p);
                drawing.id = add_drawing(p, floor, drawing);
            });
            break;
        case PrepareTask::Kind::revise:
            workspace_.edit("Replace drawing", [&](Project& p) {
                with_asset(p);
                replace_drawing(p, floor, drawing);
            });
            break;
        case PrepareTask::Kind::again:
            workspace_.edit("Prepare drawing", [&](Project& p) { replace_drawing(p, floor, drawing); });
            break;
    }
    leave_preparation();
    workspace_.in_view().show_floor(floor);
    workspace_.activity().set_step(Step::venue);
    workspace_.drawings().choose(drawing.id);
    if (prepared.task.kind == PrepareTask::Kind::lay) {
        plan_->fit();
        workspace_.tell(drawing.to_scale()
                            ? "The drawing is to scale: check a length that you know to be sure (L)"
                            : "Now give it a scale: L, two clicks on a length you know, and type it");
    } else if (prepared.task.kind == PrepareTask::Kind::revise) {
        workspace_.drawings().compare({Comparison::Show::difference, drawing.id});
        workspace_.tell("What the older revision alone has is red, what the newer alone has is blue");
    }
}

void MainWindow::leave_preparation() {
    prepare_->close_file();
    pages_->setCurrentIndex(document_.is_open() ? 1 : 0);
    if (document_.is_open()) plan_->setFocus();
    next_dropped();
}

void MainWindow::next_dropped() {
    if (dropped_.isEmpty() || !document_.is_open()) return;
    const QString file = dropped_.takeFirst();
    QMetaObject::invokeMethod(
        this, [this, file] { import_drawing(file); }, Qt::QueuedConnection);
}

void MainWindow::paste() {
    if (!workspace_.floor()) return;
    std::optional<Point> at;
    if (const QPoint pointer = plan_->mapFromGlobal(QCursor::pos()); plan_->rect().contains(pointer))
        at = plan_->map().to_floor(pointer);
    if (paste_items(workspace_, at)) return;
    const QMimeData* clip = QApplication::clipboard()->mimeData();
    if (!clip) return;
    if (clip->hasUrls() && clip->urls().front().isLocalFile())
        return import_drawing(clip->urls().front().toLocalFile());
    if (!clip->hasImage())
        return workspace_.tell("There is neither a part of a plan nor a drawing on the clipboard", true);
    const QImage image = qvariant_cast<QImage>(clip->imageData());
    QByteArray png;
    QBuffer buffer(&png);
    buffer.open(QIODevice::WriteOnly);
    if (!image.save(&buffer, "PNG"))
        return workspace_.tell("The picture on the clipboard cannot be read", true);
    const auto* begin = reinterpret_cast<const std::byte*>(png.constData());
    import_bytes("Pasted drawing.png", Bytes(begin, begin + png.size()),
                 {PrepareTask::Kind::lay, workspace_.floor_id(), {}});
}

void MainWindow::choose_photo(NoteId id) {
    const QString name = asking_.open_file("Choose a photo", "Photos (*.jpg *.jpeg *.png *.webp)");
    if (name.isEmpty() || !workspace_.floor()) return;
    constexpr qint64 largest = 50 << 20;
    QFile file(name);
    const QString said = QFileInfo(name).fileName();
    if (!file.open(QIODevice::ReadOnly)) return workspace_.tell(said + " cannot be opened", true);
    if (file.size() > largest)
        return workspace_.tell(said + " is larger than 50 MB: choose a smaller photo", true);
    const QByteArray bytes = file.readAll();
    if (QImage::fromData(bytes).isNull())
        return workspace_.tell(said + " is no picture that can be read", true);
    const auto* begin = reinterpret_cast<const std::byte*>(bytes.constData());
    const FloorId at = workspace_.floor_id();
    workspace_.edit("Choose photo", [&](Project& p) {
        Note n = *find_note(*find_floor(p, at), id);
        n.photo = add_asset(p, said.toStdString(), Bytes(begin, begin + bytes.size()));
        replace_note(p, at, n);
    });
}

void MainWindow::open_context_menu(const QPoint& global, QPointF on_plan) {
    if (!workspace_.floor() || workspace_.activity().tool() != ToolId::select) return;
    const Floor& f = *workspace_.floor();
    const auto under = items_at(document_.project(), f, plan_->map(), on_plan);
    const Point at = plan_->map().to_floor(on_plan);
    if (!under.empty() && std::none_of(under.begin(), under.end(),
                                       [&](const Item& i) { return workspace_.selection().has(i); }))
        workspace_.selection().select({under.front()});
    auto* menu = new QMenu(this);
    menu->setObjectName("planMenu");
    menu->setAttribute(Qt::WA_DeleteOnClose);
    const auto& chosen = workspace_.selection().items();
    if (chosen.size() == 1 && (chosen[0].kind == ItemKind::wall || is_outline(chosen[0]))) {
        const Item item = chosen[0];
        const auto points = corners(document_.project(), f, item);
        for (std::size_t i = 0; i < points.size(); ++i)
            if (QLineF(plan_->map().to_screen(points[i]), on_plan).length() <= 8) {
                menu->addAction("Remove this corner",
                                [this, item, i] { remove_corner(workspace_, item, i); });
                break;
            }
        menu->addAction("Add a corner here", [this, item, at] { add_corner(workspace_, item, at); });
        menu->addSeparator();
    }
    const auto offer = [&](const char* object) {
        if (QAction* a = findChild<QAction*>(object)) menu->addAction(a);
    };
    if (!chosen.empty()) {
        for (const char* object : {"Cut", "Copy", "Duplicate", "Delete"}) offer(object);
        menu->addSeparator();
        for (const char* object : {"Turnleft90°", "Turnright90°", "Mirrorleft–right", "Mirrorup–down",
                                   "Joinwalls", "Extendortrimwalltomeet", "Group", "Ungroup"})
            offer(object);
        menu->addSeparator();
        for (const char* object : {"Selectallofthistypeonthisfloor", "Selectallofthistypeeverywhere"})
            offer(object);
        if (chosen.size() == 1)
            if (const auto type = type_of(document_.project(), f, chosen[0]))
                menu->addAction("Open its type", [this, type] { show_types(*type); });
    }
    menu->addAction("Paste here", [this, at] {
        if (!paste_items(workspace_, at)) paste();
    });
    menu->popup(global);
}

void MainWindow::remember(const QString& file) {
    QSettings settings;
    QStringList recent = settings.value("recent").toStringList();
    recent.removeAll(file);
    recent.prepend(file);
    while (recent.size() > most_recent) recent.removeLast();
    settings.setValue("recent", recent);
}

void MainWindow::leave_then(const std::function<void()>& go) {
    if (files_->is_writing()) return files_->after_writing([this, go] { leave_then(go); });
    if (!document_.is_modified()) return go();
    switch (asking_.unsaved(QString::fromStdString(document_.project().name))) {
        case Asking::Unsaved::save: {
            const QString file = document_.file().isEmpty() ? ask_where_to_save() : document_.file();
            // what is edited while the file is written is asked about again
            if (!file.isEmpty()) save_then(file, [this, go] { leave_then(go); });
            break;
        }
        case Asking::Unsaved::discard:
            return go();
        case Asking::Unsaved::cancel:
            break;
    }
}

/// Closing goes on by itself when a file has to be written first.
void MainWindow::closeEvent(QCloseEvent* e) {
    if (!may_close_) {
        const auto deciding = std::make_shared<bool>(true);
        leave_then([this, deciding] {
            may_close_ = true;
            if (!*deciding) close();
        });
        *deciding = false;
    }
    e->setAccepted(may_close_);
}

void MainWindow::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* e) {
    const auto urls = e->mimeData()->urls();
    if (urls.isEmpty() || !urls.front().isLocalFile())
        return workspace_.tell("Only files of this machine can be dropped here", true);
    const QString file = urls.front().toLocalFile();
    e->acceptProposedAction();
    if (file.endsWith(".yemvo", Qt::CaseInsensitive)) {
        leave_then([this, file] { open_file(file); });
    } else if (!document_.is_open()) {
        workspace_.tell("Create or open a project first, then drop the drawing on its floor", true);
    } else {
        for (const QUrl& url : urls.mid(1))
            if (url.isLocalFile()) dropped_ << url.toLocalFile();
        import_drawing(file);
    }
}

}  // namespace yemvo::app
