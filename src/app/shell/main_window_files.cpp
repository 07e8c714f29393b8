// What comes into the window from files and goes out to them: projects, drawings, pictures.
#include <QApplication>
#include <QCloseEvent>
#include <QFileInfo>
#include <QMimeData>
#include <QPointer>
#include <QSettings>
#include <QStackedWidget>
#include <QThreadPool>
#include <fstream>

#include "app/plan/plan_view.h"
#include "app/shell/file_names.h"
#include "app/shell/main_window.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/storage.h"
#include "render/plan_picture.h"
#include "render/plan_walls.h"

namespace yemvo::app {
namespace {

constexpr int most_recent = 8;
constexpr std::uintmax_t largest_drawing_bytes = 200'000'000;

struct DecodedDrawing {
    Bytes bytes;
    QSize size;
    QString fault;
};

DecodedDrawing read_drawing(const QString& file) {
    DecodedDrawing d;
    const std::string path = file.toStdString(), name = QFileInfo(file).fileName().toStdString();
    try {
        std::error_code ignored;
        if (std::filesystem::file_size(path, ignored) > largest_drawing_bytes && !ignored)
            throw Error("is larger than 200 MB", name, "Choose a smaller picture");
        std::ifstream in(path, std::ios::binary);
        if (!in) throw Error("cannot be read", name, "Check that the file exists and that you may read it");
        const std::vector<char> all((std::istreambuf_iterator<char>(in)), {});
        d.bytes.resize(all.size());
        std::transform(all.begin(), all.end(), d.bytes.begin(),
                       [](char c) { return static_cast<std::byte>(c); });
        d.size = render::decode_picture(d.bytes, name).size();
    } catch (const std::exception& fault) {
        d.fault = QString::fromUtf8(fault.what());
    }
    return d;
}

/// Under a floor for the first time: its lower left corner at (0, 0), as if it were 50 m wide.
Drawing laid_under(const std::string& asset, QSize size) {
    Drawing d;
    d.asset = asset;
    d.width_px = size.width();
    d.height_px = size.height();
    d.placement.scale = 50.0 / std::max(size.width(), size.height());
    d.placement.shift = {0, size.height() * d.placement.scale};
    return d;
}

}  // namespace

void MainWindow::open_project(const Project& project, const QString& file) {
    document_.open(project, file);
    pages_->setCurrentIndex(1);
    workspace_.set_step(placed_access_points(project).empty() ? Step::venue : Step::placement);
    plan_->fit();
    plan_->setFocus();
    refresh_hint();
    refresh_status();
}

bool MainWindow::open_file(const QString& file) {
    try {
        Loaded loaded = load_project(file.toStdString());
        open_project(loaded.project, QFileInfo(file).absoluteFilePath());
        remember(document_.file());
        for (const std::string& warning : loaded.warnings)
            workspace_.tell(QString::fromStdString(warning), true);
        return true;
    } catch (const std::exception& fault) {
        asking_.tell_failure("The project could not be opened", QString::fromUtf8(fault.what()));
        return false;
    }
}

void MainWindow::open_demo() { open_project(demo::make_demo(), {}); }

bool MainWindow::save() {
    if (document_.file().isEmpty()) return save_as();
    try {
        document_.save(document_.file());
        remember(document_.file());
        workspace_.tell("Saved " + document_.file());
        return true;
    } catch (const Error& fault) {
        asking_.tell_failure("The project could not be saved", QString::fromUtf8(fault.what()));
        return false;
    }
}

bool MainWindow::save_as() {
    const QString proposed = document_.file().isEmpty()
                                 ? QString::fromStdString(document_.project().name) + ".yemvo"
                                 : document_.file();
    const QString name =
        with_ending(asking_.save_file("Save the project", proposed, project_filter), ".yemvo");
    if (name.isEmpty()) return false;
    try {
        document_.save(QFileInfo(name).absoluteFilePath());
    } catch (const Error& fault) {
        asking_.tell_failure("The project could not be saved", QString::fromUtf8(fault.what()));
        return false;
    }
    remember(document_.file());
    workspace_.tell("Saved " + document_.file());
    return true;
}

void MainWindow::export_picture(const QString& file) {
    if (!workspace_.floor_prediction())
        return workspace_.tell("The prediction of this floor is not ready yet: try again in a moment", true);
    workspace_.tell("Writing " + file);
    ++working_;
    QThreadPool::globalInstance()->start([self = QPointer<MainWindow>(this), file,
                                          project = document_.project(), floor = workspace_.floor_id(),
                                          prediction = workspace_.prediction(), map = workspace_.map()] {
        QString failure;
        try {
            render::save_plan_picture(project, *find_floor(project, floor), *prediction->site.find(floor),
                                      map, file.toStdString());
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
    const QString name = asking_.open_file("Choose the drawing of this floor", picture_filter);
    if (!name.isEmpty()) import_drawing(name);
}

void MainWindow::import_drawing(const QString& file) {
    if (!workspace_.floor()) return;
    const FloorId floor = workspace_.floor_id();
    ++working_;
    workspace_.tell("Reading " + QFileInfo(file).fileName());
    QThreadPool::globalInstance()->start([self = QPointer<MainWindow>(this), file, floor] {
        auto drawing = std::make_shared<DecodedDrawing>(read_drawing(file));
        QMetaObject::invokeMethod(
            qApp,
            [self, file, floor, drawing] {
                if (!self) return;
                --self->working_;
                if (!drawing->fault.isEmpty()) return self->workspace_.tell(drawing->fault, true);
                if (!find_floor(self->document_.project(), floor)) return;
                self->workspace_.edit("Lay drawing", [&](Project& p) {
                    const std::string asset =
                        add_asset(p, QFileInfo(file).fileName().toStdString(), std::move(drawing->bytes));
                    set_drawing(p, floor, laid_under(asset, drawing->size));
                });
                self->workspace_.set_step(Step::venue);
                self->plan_->fit();
                self->workspace_.tell("Now give it a scale: L, two clicks on a length you know, and type it");
            },
            Qt::QueuedConnection);
    });
}

void MainWindow::remember(const QString& file) {
    QSettings settings;
    QStringList recent = settings.value("recent").toStringList();
    recent.removeAll(file);
    recent.prepend(file);
    while (recent.size() > most_recent) recent.removeLast();
    settings.setValue("recent", recent);
}

bool MainWindow::may_leave() {
    if (!document_.is_modified()) return true;
    switch (asking_.unsaved(QString::fromStdString(document_.project().name))) {
        case Asking::Unsaved::save:
            return save();
        case Asking::Unsaved::discard:
            return true;
        case Asking::Unsaved::cancel:
            break;
    }
    return false;
}

void MainWindow::closeEvent(QCloseEvent* e) { may_leave() ? e->accept() : e->ignore(); }

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
        if (may_leave()) open_file(file);
    } else if (!document_.is_open()) {
        workspace_.tell("Create or open a project first, then drop the drawing on its floor", true);
    } else {
        import_drawing(file);
    }
}

}  // namespace yemvo::app
