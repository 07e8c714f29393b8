#include "app/shell/main_window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QMenuBar>
#include <QMessageBox>
#include <QMimeData>
#include <QPainter>
#include <QPointer>
#include <QSettings>
#include <QStackedWidget>
#include <QTabBar>
#include <QThreadPool>
#include <QToolButton>
#include <QVBoxLayout>
#include <fstream>

#include "app/details/details_panel.h"
#include "app/plan/plan_view.h"
#include "app/schedule/radio_schedule.h"
#include "app/section/section_view.h"
#include "app/shell/header_bar.h"
#include "app/shell/lens_bar.h"
#include "app/shell/start_page.h"
#include "app/shell/status_line.h"
#include "app/shell/theme.h"
#include "app/shell/tool_strip.h"
#include "demo/demo.h"
#include "project/edits.h"
#include "project/storage.h"
#include "render/plan_picture.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

const QString project_filter = "Yemvo projects (*.yemvo)", picture_filter = "Pictures (*.png *.jpg *.jpeg)";
constexpr int most_recent = 8, tray_height = 184;
constexpr std::uintmax_t largest_drawing_bytes = 200'000'000;

/// A strip in chrome with a line above and below.
class Strip : public QWidget {
public:
    using QWidget::QWidget;

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), theme().chrome);
        p.fillRect(QRect(0, 0, width(), 1), theme().line);
    }
};

class Edge : public QWidget {
public:
    explicit Edge(QWidget* parent) : QWidget(parent) { setFixedWidth(1); }

protected:
    void paintEvent(QPaintEvent*) override { QPainter(this).fillRect(rect(), theme().line); }
};

Asking ask_by_dialogs(QWidget* window) {
    Asking a;
    a.open_file = [window](const QString& title, const QString& filter) {
        return QFileDialog::getOpenFileName(window, title, {}, filter);
    };
    a.save_file = [window](const QString& title, const QString& proposed, const QString& filter) {
        return QFileDialog::getSaveFileName(window, title, proposed, filter);
    };
    a.unsaved = [window](const QString& project) {
        QMessageBox box(QMessageBox::NoIcon, "Yemvo", "Save the changes to " + project + "?", {}, window);
        auto* save = box.addButton("Save", QMessageBox::AcceptRole);
        auto* discard = box.addButton("Do not save", QMessageBox::DestructiveRole);
        box.addButton("Cancel", QMessageBox::RejectRole);
        box.setDefaultButton(save);
        box.exec();
        if (box.clickedButton() == save) return Asking::Unsaved::save;
        return box.clickedButton() == discard ? Asking::Unsaved::discard : Asking::Unsaved::cancel;
    };
    a.tell_failure = [window](const QString& title, const QString& message) {
        QMessageBox(QMessageBox::NoIcon, title, message, QMessageBox::Ok, window).exec();
    };
    return a;
}

QString with_ending(QString file, const QString& ending) {
    if (!file.isEmpty() && QFileInfo(file).suffix().isEmpty()) file += ending;
    return file;
}

QString lower_first(QString text) {
    if (!text.isEmpty()) text[0] = text[0].toLower();
    return text;
}

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

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent),
      workspace_(document_),
      asking_(ask_by_dialogs(this)),
      runner_(new PredictionRunner(this)) {
    resize(1280, 800);
    setMinimumSize(1100, 700);
    setAcceptDrops(true);
    setWindowIcon(QIcon(":/icons/yemvo.svg"));
    lay_out();
    make_menus();
    connect_parts();
    refresh_title();
    show_start_page();
}

MainWindow::~MainWindow() {
    // the document and the workspace go before the widgets that listen to them
    runner_->disconnect();
    document_.history().disconnect();
    document_.disconnect();
    workspace_.disconnect();
}

void MainWindow::lay_out() {
    auto* centre = new QWidget(this);
    auto* column = new QVBoxLayout(centre);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(0);
    header_ = new HeaderBar(workspace_, centre);
    column->addWidget(header_);

    auto* work = new QWidget(centre);
    auto* rows = new QVBoxLayout(work);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(0);
    section_ = new SectionView(workspace_, work);
    upper->addWidget(section_);
    upper->addWidget(new ToolStrip(workspace_, work));
    auto* middle = new QVBoxLayout;
    middle->setSpacing(0);
    middle->addWidget(new LensBar(workspace_, work));
    plan_ = new PlanView(workspace_, work);
    middle->addWidget(plan_, 1);
    upper->addLayout(middle, 1);
    upper->addWidget(new Edge(work));
    details_ = new DetailsPanel(workspace_, work);
    upper->addWidget(details_);
    rows->addLayout(upper, 1);

    auto* head = new Strip(work);
    head->setFixedHeight(31);
    auto* tabs_row = new QHBoxLayout(head);
    tabs_row->setContentsMargins(0, 1, 8, 0);
    tray_tabs_ = new QTabBar(head);
    tray_tabs_->setObjectName("trayTabs");
    tray_tabs_->setDrawBase(false);
    tray_tabs_->setStyleSheet(
        QString("QTabBar::tab { padding: 6px 14px; border: 0; border-right: 1px solid %1; background: %2; }"
                "QTabBar::tab:selected { background: %3; }")
            .arg(theme().line.name(), theme().chrome.name(), theme().paper.name()));
    tray_tabs_->addTab("Radio schedule");
    tabs_row->addWidget(tray_tabs_);
    tabs_row->addStretch(1);
    auto* fold = new QToolButton(head);
    fold->setObjectName("foldTray");
    fold->setFixedSize(24, 24);
    fold->setToolTip("Open or fold the tray (Ctrl T)");
    connect(fold, &QToolButton::clicked, this, [this] {
        tray_open_ = !tray_open_;
        refresh_tray();
    });
    tabs_row->addWidget(fold);
    rows->addWidget(head);
    schedule_ = new RadioSchedule(workspace_, work);
    schedule_->setFixedHeight(tray_height);
    tray_ = schedule_;
    rows->addWidget(tray_);
    connect(tray_tabs_, &QTabBar::tabBarClicked, this, [this] {
        tray_open_ = true;
        refresh_tray();
    });

    start_ = new StartPage(centre);
    pages_ = new QStackedWidget(centre);
    pages_->addWidget(start_);
    pages_->addWidget(work);
    column->addWidget(pages_, 1);
    status_ = new StatusLine(centre);
    column->addWidget(status_);
    setCentralWidget(centre);
    refresh_tray();
}

QAction* MainWindow::action(QMenu* menu, const QString& text, const QKeySequence& key,
                            std::function<void()> run) {
    QAction* a = menu->addAction(text);
    if (!key.isEmpty()) {
        a->setShortcut(key);
        a->setShortcutContext(Qt::WindowShortcut);
    }
    a->setObjectName(QString(text).remove(' ').remove(QStringLiteral("…")));
    connect(a, &QAction::triggered, this, std::move(run));
    return a;
}

void MainWindow::make_menus() {
    QMenuBar* bar = header_->menus();
    const auto needs_project = [this](QAction* a) { project_actions_.push_back(a); };

    QMenu* file = bar->addMenu("&File");
    action(file, "New project…", QKeySequence::New, [this] { show_start_page(); });
    action(file, "Open…", QKeySequence::Open, [this] {
        const QString name = asking_.open_file("Open a project", project_filter);
        if (!name.isEmpty() && may_leave()) open_file(name);
    });
    recent_menu_ = file->addMenu("Open recent");
    connect(recent_menu_, &QMenu::aboutToShow, this, &MainWindow::fill_recent);
    file->addSeparator();
    needs_project(action(file, "Save", QKeySequence::Save, [this] { save(); }));
    needs_project(action(file, "Save as…", QKeySequence("Ctrl+Shift+S"), [this] { save_as(); }));
    needs_project(action(file, "Export plan picture…", QKeySequence("Ctrl+E"), [this] {
        const Floor* f = workspace_.floor();
        const QString proposed = QString::fromStdString(document_.project().name + ", " + f->name) + ".png";
        const QString name = with_ending(
            asking_.save_file("Export the plan as a picture", proposed, "PNG pictures (*.png)"), ".png");
        if (!name.isEmpty()) export_picture(name);
    }));
    file->addSeparator();
    action(file, "Quit", QKeySequence::Quit, [this] { close(); });

    QMenu* edit = bar->addMenu("&Edit");
    QAction* undo = action(edit, "Undo", QKeySequence::Undo, [this] { document_.history().undo(); });
    QAction* redo = action(edit, "Redo", QKeySequence::Redo, [this] { document_.history().redo(); });
    const auto name_history = [this, undo, redo] {
        const auto& h = document_.history();
        undo->setEnabled(h.canUndo());
        undo->setText(h.canUndo() ? "Undo " + lower_first(h.undoText()) : "Undo");
        redo->setEnabled(h.canRedo());
        redo->setText(h.canRedo() ? "Redo " + lower_first(h.redoText()) : "Redo");
    };
    connect(&document_.history(), &QUndoStack::indexChanged, this, name_history);
    connect(&document_, &Document::opened, this, name_history);
    name_history();
    edit->addSeparator();
    needs_project(action(edit, "Delete", {}, [this] { workspace_.delete_selection(); }));
    needs_project(action(edit, "Select all access points", QKeySequence("Ctrl+A"), [this] {
        std::vector<Item> all;
        for (const AccessPoint& ap : access_points(workspace_.project(), workspace_.floor_id()))
            all.push_back({Item::Kind::access_point, ap.id.value});
        workspace_.select(all);
    }));

    QMenu* view = bar->addMenu("&View");
    needs_project(action(view, "Fit floor", QKeySequence("Ctrl+0"), [this] { plan_->fit(); }));
    needs_project(action(view, "Zoom in", QKeySequence("Ctrl++"), [this] { plan_->zoom(1.25); }));
    needs_project(action(view, "Zoom out", QKeySequence("Ctrl+-"), [this] { plan_->zoom(0.8); }));
    view->addSeparator();
    static constexpr const char* steps[] = {"Venue", "Demand", "Placement", "Spectrum", "Proof"};
    for (int i = 0; i < 5; ++i)
        needs_project(action(view, QString("Step %1").arg(steps[i]),
                             QKeySequence(QString("Ctrl+%1").arg(i + 1)),
                             [this, i] { workspace_.set_step(static_cast<Step>(i)); }));
    view->addSeparator();
    for (const LensInfo& info : lenses())
        needs_project(action(view, "Lens " + QString::fromStdString(info.name), {}, [this, &info] {
            workspace_.set_map({info.id, workspace_.map().band, info.limit});
        }));
    view->addSeparator();
    needs_project(action(view, "Tray", QKeySequence("Ctrl+T"), [this] {
        tray_open_ = !tray_open_;
        refresh_tray();
    }));

    QMenu* plan = bar->addMenu("&Plan");
    make_tool_actions(plan);
    plan->addSeparator();
    needs_project(action(plan, "Choose a drawing…", QKeySequence("Ctrl+D"), [this] { choose_drawing(); }));
    needs_project(action(plan, "Add a floor on top", {}, [this] { add_floor_on_top(); }));

    QMenu* help = bar->addMenu("&Help");
    action(help, "Keys", QKeySequence::HelpContents, [this] { show_keys(); });
    action(help, "Open the demo library", {}, [this] {
        if (may_leave()) open_demo();
    });
}

void MainWindow::make_tool_actions(QMenu* menu) {
    for (const ToolInfo& tool : all_tools()) {
        QAction* a = action(menu, tool.name, QKeySequence(tool.key), [this, id = tool.id] {
            const auto offered = tools_of(workspace_.step());
            if (std::find(offered.begin(), offered.end(), id) == offered.end())
                workspace_.set_step(id == ToolId::access_point ? Step::placement : Step::venue);
            workspace_.set_tool(id);
            plan_->setFocus();
        });
        a->setToolTip(tool.what);
        project_actions_.push_back(a);
    }
}

void MainWindow::connect_parts() {
    connect(
        runner_, &PredictionRunner::ready, this,
        [this](std::shared_ptr<const Prediction> p) { workspace_.set_prediction(std::move(p)); },
        Qt::QueuedConnection);
    connect(
        runner_, &PredictionRunner::working, this,
        [this](bool on, const QString& doing) {
            status_->set_work(on ? doing : document_.is_open() ? "Prediction up to date" : "", on);
        },
        Qt::QueuedConnection);
    connect(
        runner_, &PredictionRunner::failed, this,
        [this](const QString& why) { status_->set_message(why, true); }, Qt::QueuedConnection);
    connect(status_, &StatusLine::cancel_asked, this, [this] {
        runner_->cancel();
        status_->set_work("Prediction stopped", false);
    });
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::predict);
    connect(&workspace_, &Workspace::floor_changed, this, &MainWindow::predict);
    connect(&workspace_, &Workspace::told, status_, &StatusLine::set_message);
    connect(&document_, &Document::state_changed, this, &MainWindow::refresh_title);
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::refresh_title);
    connect(plan_, &PlanView::view_changed, this, &MainWindow::refresh_status);
    connect(&workspace_, &Workspace::floor_changed, this, &MainWindow::refresh_status);
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::refresh_status);
    connect(plan_, &PlanView::hint_changed, this, &MainWindow::refresh_hint);
    connect(&workspace_, &Workspace::step_changed, this, [this] {
        if (workspace_.step() == Step::spectrum) tray_open_ = true;
        refresh_tray();
    });
    connect(plan_, &PlanView::pointer_moved, this, [this](const Point& p, bool inside) {
        const auto one = [&](double v) {
            return QString::fromStdString(format_length(v, workspace_.units(), false));
        };
        status_->set_place(inside && document_.is_open() ? "x " + one(p.x) + "  y " + one(p.y) : QString());
    });
    connect(plan_, &PlanView::next_step_asked, this, [this](NextStep step) {
        if (step == NextStep::drawing) return choose_drawing();
        workspace_.set_step(step == NextStep::scale ? Step::venue : Step::placement);
        workspace_.set_tool(step == NextStep::scale ? ToolId::scale : ToolId::access_point);
        plan_->setFocus();
    });
    connect(section_, &SectionView::add_floor_asked, this, &MainWindow::add_floor_on_top);
    connect(details_, &DetailsPanel::drawing_asked, this, &MainWindow::choose_drawing);
    connect(start_, &StartPage::create_asked, this, [this](const Project& p) {
        if (may_leave()) open_project(p, {});
    });
    connect(start_, &StartPage::open_asked, this, [this] {
        const QString name = asking_.open_file("Open a project", project_filter);
        if (!name.isEmpty() && may_leave()) open_file(name);
    });
    connect(start_, &StartPage::open_file_asked, this, [this](const QString& name) {
        if (may_leave()) open_file(name);
    });
    connect(start_, &StartPage::demo_asked, this, [this] {
        if (may_leave()) open_demo();
    });
    connect(start_, &StartPage::back_asked, this, [this] { pages_->setCurrentIndex(1); });
}

void MainWindow::predict() {
    if (document_.is_open() && workspace_.floor())
        runner_->request(document_.project(), workspace_.floor_id());
}

void MainWindow::refresh_title() {
    for (QAction* a : project_actions_) a->setEnabled(document_.is_open());
    if (!document_.is_open()) return setWindowTitle("Yemvo");
    setWindowTitle(QString::fromStdString(document_.project().name) + "[*] – Yemvo");
    setWindowModified(document_.is_modified());
}

void MainWindow::refresh_status() {
    const Floor* f = workspace_.floor();
    status_->set_floor(f ? QString::fromStdString(f->name) : QString());
    if (!f) return;
    // pixels of 96 to the inch
    const double ratio = 96 / 0.0254 / plan_->map().px_per_m;
    status_->set_scale("1 : " +
                       QString::number(ratio < 100 ? std::round(ratio) : std::round(ratio / 10) * 10));
    status_->set_units(workspace_.units() == LengthUnits::metres ? "m, dBm" : "ft, dBm");
}

void MainWindow::refresh_hint() { status_->set_hint(plan_->tool().name(), plan_->tool().hint()); }

void MainWindow::refresh_tray() {
    tray_->setVisible(tray_open_);
    auto* fold = findChild<QToolButton*>("foldTray");
    if (fold) fold->setIcon(icon(tray_open_ ? "chevron" : "chevron-up", theme().muted));
}

void MainWindow::show_start_page() {
    start_->prepare(QSettings().value("recent").toStringList(), document_.is_open());
    pages_->setCurrentIndex(0);
}

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

void MainWindow::add_floor_on_top() {
    if (!document_.is_open() || document_.project().buildings.empty()) return;
    FloorId made;
    workspace_.edit("Add floor", [&](Project& p) { made = add_floor(p, p.buildings.front().id); });
    workspace_.show_floor(made);
}

void MainWindow::remember(const QString& file) {
    QSettings settings;
    QStringList recent = settings.value("recent").toStringList();
    recent.removeAll(file);
    recent.prepend(file);
    while (recent.size() > most_recent) recent.removeLast();
    settings.setValue("recent", recent);
}

void MainWindow::fill_recent() {
    recent_menu_->clear();
    for (const QString& file : QSettings().value("recent").toStringList())
        recent_menu_->addAction(file, this, [this, file] {
            if (may_leave()) open_file(file);
        });
    if (recent_menu_->isEmpty()) recent_menu_->addAction("Nothing yet")->setEnabled(false);
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

void MainWindow::show_keys() {
    QString rows;
    for (const QMenu* menu : header_->menus()->findChildren<QMenu*>())
        for (const QAction* a : menu->actions())
            if (!a->shortcut().isEmpty())
                rows += "<tr><td>" + QString(a->text()).toHtmlEscaped() + "</td><td width=30></td><td><b>" +
                        a->shortcut().toString(QKeySequence::NativeText).toHtmlEscaped() + "</b></td></tr>";
    QMessageBox box(QMessageBox::NoIcon, "Keys", "<table>" + rows + "</table>", QMessageBox::Close, this);
    box.exec();
}

}  // namespace yemvo::app
