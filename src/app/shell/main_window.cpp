#include "app/shell/main_window.h"
#include "app/files/autosave.h"
#include "app/link_profile/link_profile_page.h"

#include <QApplication>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QPainter>
#include <QScreen>
#include <QSettings>
#include <QStackedWidget>
#include <QTabBar>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/asking/file_names.h"
#include "app/costs/costs_page.h"
#include "app/details/details_panel.h"
#include "app/drawings/sheet_canvas.h"
#include "app/files/file_guard.h"
#include "app/files/notice_bar.h"
#include "app/files/project_files.h"
#include "app/files/start_page.h"
#include "app/files/versions_page.h"
#include "app/findings/findings_page.h"
#include "app/findings/findings_runner.h"
#include "app/look/theme.h"
#include "app/map/lens_bar.h"
#include "app/materials/types_page.h"
#include "app/model/activity.h"
#include "app/model/found_findings.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/model/prediction.h"
#include "app/model/results.h"
#include "app/model/shown_map.h"
#include "app/model/tool_id.h"
#include "app/plan/plan_view.h"
#include "app/plan/tool_strip.h"
#include "app/proof/proof_page.h"
#include "app/schedule/radio_schedule.h"
#include "app/section/section_view.h"
#include "app/shell/header_bar.h"
#include "app/shell/status_line.h"
#include "app/site/site_view.h"
#include "checks/findings.h"
#include "geometry/point.h"
#include "project/edits.h"
#include "project/project.h"
#include "render/map_choice.h"
#include "render/text_style.h"

namespace yemvo::app {
namespace {

constexpr int tray_height = 184;

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

}  // namespace

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent),
      workspace_(document_),
      asking_(ask_by_dialogs(this)),
      runner_(new PredictionRunner(workspace_.memory(), this)),
      findings_runner_(new FindingsRunner(this)),
      autosave_(new Autosave(document_, this)),
      files_(new ProjectFiles(document_, this)),
      guard_(new FileGuard(document_, this)),
      say_work_(new QTimer(this)) {
    resize(1280, 800);
    setMinimumSize(1100, 700);
    fit_screen();
    setAcceptDrops(true);
    setWindowIcon(QIcon(":/icons/yemvo.svg"));
    lay_out();
    make_menus();
    connect_parts();
    watch_files();
    refresh_title();
    show_start_page();
}

/// The title bar needs room too, or it pushes the status line off a small screen.
void MainWindow::fit_screen() {
    constexpr int title_bar = 40;
    const QSize room = screen() ? screen()->availableSize() - QSize(0, title_bar) : size();
    resize(size().boundedTo(room.expandedTo(minimumSize())));
}

MainWindow::~MainWindow() {
    // the document and the workspace go before the widgets that listen to them
    delete files_;
    delete guard_;
    delete autosave_;
    runner_->disconnect();
    findings_runner_->disconnect();
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
    notices_ = new NoticeBar(centre);
    column->addWidget(notices_);

    auto* work = new QWidget(centre);
    auto* rows = new QVBoxLayout(work);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(0);
    upper_ = new QGridLayout;
    upper_->setSpacing(0);
    section_ = new SectionView(workspace_, work);
    upper_->addWidget(section_, 0, 0, 2, 1);
    upper_->addWidget(new ToolStrip(workspace_, work), 0, 1, 2, 1);
    proof_ = new ProofPage(workspace_, work);
    upper_->addWidget(proof_, 0, 2, 2, 1);
    proof_edge_ = new Edge(work);
    upper_->addWidget(proof_edge_, 0, 3, 2, 1);
    middle_ = new QWidget(work);
    auto* middle = new QVBoxLayout(middle_);
    middle->setContentsMargins(0, 0, 0, 0);
    middle->setSpacing(0);
    lens_bar_ = new LensBar(workspace_, middle_);
    middle->addWidget(lens_bar_);
    views_ = new QStackedWidget(middle_);
    plan_ = new PlanView(workspace_, views_);
    site_ = new SiteView(workspace_, views_);
    views_->addWidget(plan_);
    views_->addWidget(site_);
    middle->addWidget(views_, 1);
    upper_->addWidget(middle_, 0, 4);
    details_edge_ = new Edge(work);
    details_ = new DetailsPanel(workspace_, work);
    rows->addLayout(upper_, 1);
    arrange_for_step();

    auto* head = new Strip(work);
    head->setFixedHeight(31);
    auto* tabs_row = new QHBoxLayout(head);
    tabs_row->setContentsMargins(0, 1, 8, 0);
    tray_tabs_ = new QTabBar(head);
    tray_tabs_->setObjectName("trayTabs");
    tray_tabs_->setDrawBase(false);
    dress(tray_tabs_,
          "QTabBar::tab { padding: 6px 14px; border: 0; border-right: 1px solid @line; background: @chrome; }"
          "QTabBar::tab:selected { background: @paper; }");
    tray_tabs_->addTab("Link profile");
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
    findings_ = new FindingsPage(workspace_, work);
    tray_tabs_->addTab("Findings");
    tray_ = new QStackedWidget(work);
    link_profile_ = new LinkProfilePage(workspace_, work);
    tray_->addWidget(link_profile_);
    tray_->addWidget(schedule_);
    tray_->addWidget(findings_);
    tray_tabs_->addTab("What costs most");
    costs_ = new CostsPage(workspace_, work);
    tray_->addWidget(costs_);
    tray_->setFixedHeight(tray_height);
    rows->addWidget(tray_);
    connect(tray_tabs_, &QTabBar::currentChanged, tray_, &QStackedWidget::setCurrentIndex);
    connect(tray_tabs_, &QTabBar::tabBarClicked, this, [this] {
        tray_open_ = true;
        refresh_tray();
    });

    start_ = new StartPage(centre);
    pages_ = new QStackedWidget(centre);
    pages_->addWidget(start_);
    pages_->addWidget(work);
    prepare_ = new PreparePage(workspace_, centre);
    pages_->addWidget(prepare_);
    types_ = new TypesPage(workspace_, asking_, centre);
    pages_->addWidget(types_);
    versions_ = new VersionsPage(centre);
    pages_->addWidget(versions_);
    column->addWidget(pages_, 1);
    status_ = new StatusLine(centre);
    column->addWidget(status_);
    setCentralWidget(centre);
    connect(pages_, &QStackedWidget::currentChanged, this, [this] {
        refresh_hint();
        refresh_title();
    });
    refresh_tray();
}

/// The plan fills the middle; beside the proof it stands at the right, over Details.
void MainWindow::arrange_for_step() {
    constexpr int beside = 334, details_beside = 292;
    const bool proof = workspace_.activity().step() == Step::proof;
    proof_->setVisible(proof);
    proof_edge_->setVisible(proof);
    details_edge_->setVisible(!proof);
    for (QWidget* w : {static_cast<QWidget*>(details_edge_), static_cast<QWidget*>(details_)})
        upper_->removeWidget(w);
    if (proof) {
        upper_->addWidget(details_, 1, 4);
    } else {
        upper_->addWidget(details_edge_, 0, 5, 2, 1);
        upper_->addWidget(details_, 0, 6, 2, 1);
    }
    details_->setFixedWidth(proof ? beside : DetailsPanel::usual_width);
    details_->setMinimumHeight(proof ? details_beside : 0);
    details_->setMaximumHeight(proof ? details_beside : QWIDGETSIZE_MAX);
    middle_->setMinimumWidth(proof ? beside : 0);
    middle_->setMaximumWidth(proof ? beside : QWIDGETSIZE_MAX);
    upper_->setColumnStretch(2, proof ? 1 : 0);
    upper_->setColumnStretch(4, proof ? 0 : 1);
    upper_->setRowStretch(0, 1);
    upper_->setRowStretch(1, 0);
}

void MainWindow::connect_parts() {
    connect(
        runner_, &PredictionRunner::ready, this,
        [this](std::shared_ptr<const Prediction> p) {
            if (p->of == document_.opened_count()) workspace_.results().set_prediction(std::move(p));
        },
        Qt::QueuedConnection);
    connect(
        runner_, &PredictionRunner::working, this,
        [this](bool on, const QString& doing) {
            doing_ = on ? doing : QString();
            refresh_work();
        },
        Qt::QueuedConnection);
    connect(
        runner_, &PredictionRunner::judged_so_far, this,
        [this](int floors, int all) {
            workspace_.results().set_judged_so_far(floors, all);
            header_->refresh();
        },
        Qt::QueuedConnection);
    connect(
        runner_, &PredictionRunner::failed, this,
        [this](const QString& why) { status_->set_message(why, true); }, Qt::QueuedConnection);
    say_work_->setSingleShot(true);
    say_work_->setInterval(150);
    connect(say_work_, &QTimer::timeout, this, &MainWindow::tell_work);
    connect(files_, &ProjectFiles::doing_changed, this, &MainWindow::refresh_work);
    connect(status_, &StatusLine::cancel_asked, this, [this] {
        if (files_->is_reading()) return files_->stop_reading();
        runner_->cancel();
        prediction_stopped_ = true;
        doing_.clear();
        refresh_work();
    });
    // what was begun for another project is not wanted any more
    connect(&document_, &Document::opened, runner_, &PredictionRunner::cancel);
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::predict);
    // some views need more than the fields: it is worked out when they are first looked at
    listen(
        this,
        [this] {
            if (!(wish() == wanted_)) predict();
        },
        workspace_.shown(), &ShownMap::changed, workspace_.activity(), &Activity::step_changed);
    // the project changes before the history knows: what it is held against is told again then
    connect(&document_.history(), &QUndoStack::indexChanged, this, [this] {
        if (wish().against == render::Against::last_edit) predict();
    });
    const auto look = [this] {
        if (document_.is_open()) findings_runner_->request(document_.project());
    };
    connect(&workspace_, &Workspace::project_changed, this, look);
    connect(&document_, &Document::opened, this, look);
    connect(
        findings_runner_, &FindingsRunner::found, this,
        [this](const std::shared_ptr<const std::vector<Finding>>& f) { workspace_.found().set(f); },
        Qt::QueuedConnection);
    connect(
        findings_runner_, &FindingsRunner::failed, this,
        [this](const QString& why) { status_->set_message(why, true); }, Qt::QueuedConnection);
    connect(findings_, &FindingsPage::types_asked, this, &MainWindow::show_types);
    connect(header_, &HeaderBar::findings_asked, this, &MainWindow::show_findings);
    connect(details_, &DetailsPanel::photo_asked, this, &MainWindow::choose_photo);
    connect(details_, &DetailsPanel::types_asked, this, &MainWindow::show_types);
    connect(types_, &TypesPage::left, this, &MainWindow::leave_types);
    connect(plan_, &PlanView::menu_asked, this, &MainWindow::open_context_menu);
    connect(&workspace_.in_view(), &InView::floor_changed, this, [this] {
        // all floors are predicted together: another one in view asks for nothing new
        const auto& known = workspace_.results().prediction();
        const bool complete = known && known->verdict && workspace_.results().map_prediction() &&
                              !workspace_.shown().held_against();
        if (prediction_stopped_ || !complete || !runner_->is_idle()) predict();
    });
    connect(&workspace_.activity(), &Activity::tool_changed, this, [this] {
        if (workspace_.activity().tool() != ToolId::probe) return;
        show_tray(link_profile_);
    });
    connect(start_, &StartPage::recover_asked, this, &MainWindow::recover_work);
    connect(start_, &StartPage::discard_asked, this, &MainWindow::throw_away_work);
    connect(&workspace_, &Workspace::told, status_, &StatusLine::set_message);
    connect(&document_, &Document::state_changed, this, &MainWindow::refresh_title);
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::refresh_title);
    connect(plan_, &PlanView::view_changed, this, &MainWindow::refresh_status);
    connect(&workspace_.in_view(), &InView::floor_changed, this, &MainWindow::refresh_status);
    connect(&workspace_, &Workspace::project_changed, this, &MainWindow::refresh_status);
    connect(plan_, &PlanView::hint_changed, this, &MainWindow::refresh_hint);
    connect(&workspace_.activity(), &Activity::step_changed, this, &MainWindow::arrange_for_step);
    connect(proof_, &ProofPage::findings_asked, this, &MainWindow::show_findings);
    connect(&workspace_.activity(), &Activity::step_changed, this, [this] {
        workspace_.activity().step() == Step::spectrum ? show_tray(schedule_) : refresh_tray();
    });
    connect(plan_, &PlanView::pointer_moved, this, [this](const Point& p, bool inside) {
        const auto one = [&](double v) { return render::local(format_length(v, workspace_.units(), false)); };
        status_->set_place(inside && document_.is_open() ? "x " + one(p.x) + "  y " + one(p.y) : QString());
    });
    connect(plan_, &PlanView::next_step_asked, this, [this](NextStep step) {
        if (step == NextStep::drawing) return choose_drawing();
        workspace_.activity().set_step(step == NextStep::access_point ? Step::placement : Step::venue);
        workspace_.activity().set_tool(step == NextStep::scale  ? ToolId::scale
                                       : step == NextStep::area ? ToolId::wall
                                                                : ToolId::access_point);
        plan_->setFocus();
    });
    connect(section_, &SectionView::add_floor_asked, this, &MainWindow::add_floor_on_top);
    connect(section_, &SectionView::duplicate_asked, this, &MainWindow::duplicate);
    connect(section_, &SectionView::align_asked, this, [this](FloorId id) {
        workspace_.in_view().show_floor(id);
        workspace_.activity().set_step(Step::venue);
        workspace_.activity().set_tool(ToolId::align);
        plan_->setFocus();
    });
    connect(details_, &DetailsPanel::drawing_asked, this, &MainWindow::choose_drawing);
    connect(details_, &DetailsPanel::revision_asked, this, &MainWindow::choose_revision);
    connect(details_, &DetailsPanel::prepare_asked, this, &MainWindow::prepare_again);
    connect(prepare_, &PreparePage::prepared, this, &MainWindow::lay);
    connect(prepare_, &PreparePage::left, this, [this] {
        // one Escape ends it, however many files were dropped at once
        if (!dropped_.isEmpty())
            workspace_.tell(
                dropped_.size() == 1
                    ? QString("Cancelled; the other file was not laid either")
                    : QString("Cancelled; the other %1 files were not laid either").arg(dropped_.size()));
        dropped_.clear();
        leave_preparation();
    });
    connect(&workspace_.in_view(), &InView::site_changed, this, &MainWindow::show_plan_or_site);
    connect(&workspace_.activity(), &Activity::tool_changed, this, [this] {
        if (workspace_.activity().tool() != ToolId::select) workspace_.in_view().show_site(false);
    });
    connect(site_, &SiteView::open_asked, &workspace_.in_view(), &InView::show_floor);
    connect(site_, &SiteView::pointer_moved, this, [this](const Point& p, bool inside) {
        const auto one = [&](double v) { return render::local(format_length(v, workspace_.units(), false)); };
        status_->set_place(inside && document_.is_open() ? "east " + one(p.x) + "  north " + one(p.y)
                                                         : QString());
    });
    connect(start_, &StartPage::create_asked, this,
            [this](const Project& p) { leave_then([this, p] { open_project(p, {}); }); });
    connect(start_, &StartPage::open_asked, this, [this] {
        const QString name = asking_.open_file("Open a project", project_filter);
        if (!name.isEmpty()) leave_then([this, name] { open_file(name); });
    });
    connect(start_, &StartPage::open_file_asked, this,
            [this](const QString& name) { leave_then([this, name] { open_file(name); }); });
    connect(start_, &StartPage::demo_asked, this, [this] { leave_then([this] { open_demo(); }); });
    connect(start_, &StartPage::back_asked, this, [this] { pages_->setCurrentIndex(1); });
}

bool MainWindow::is_showing_types() const { return pages_->currentWidget() == types_; }

void MainWindow::show_findings() { show_tray(findings_); }

void MainWindow::show_tray(QWidget* page) {
    tray_open_ = true;
    tray_tabs_->setCurrentIndex(tray_->indexOf(page));
    refresh_tray();
}

void MainWindow::show_types(WallTypeId id) {
    if (!document_.is_open() || is_preparing()) return;
    types_->show_type(id);
    pages_->setCurrentWidget(types_);
    types_->setFocus();
}

void MainWindow::leave_types() {
    pages_->setCurrentIndex(1);
    plan_->setFocus();
}

ExtraWish MainWindow::wish() const {
    const render::MapChoice& map = workspace_.shown().map();
    return {map.lens == LensId::confidence, map.lens == LensId::outside,
            workspace_.activity().step() == Step::proof,
            map.is_change() ? map.against : render::Against::nothing, map.other};
}

void MainWindow::predict() {
    prediction_stopped_ = false;
    wanted_ = wish();
    if (document_.is_open() && workspace_.floor())
        runner_->request(document_.project(), workspace_.floor_id(), wanted_,
                         workspace_.shown().held_against(), document_.opened_count());
}

/// What is done at once is not announced: the frames of a drag would spend their time on it.
void MainWindow::refresh_work() {
    const bool on = !doing_.isEmpty() || !files_->doing().isEmpty();
    if (!on) say_work_->stop();
    if (!on || status_->is_working()) return tell_work();
    if (!say_work_->isActive()) say_work_->start();
}

/// Files go before predictions.
void MainWindow::tell_work() {
    if (const QString file = files_->doing(); !file.isEmpty())
        return status_->set_work(file, files_->is_reading());
    if (!doing_.isEmpty()) return status_->set_work(doing_, true);
    status_->set_work(!document_.is_open()  ? ""
                      : prediction_stopped_ ? "Prediction stopped"
                                            : "Prediction up to date",
                      false);
}

void MainWindow::refresh_title() {
    for (QAction* a : project_actions_)
        a->setEnabled(document_.is_open() && !is_preparing() && !is_showing_types());
    if (!document_.is_open()) return setWindowTitle("Yemvo");
    const Project& p = document_.project();
    const QString variant =
        p.variants.size() > 1 ? ", " + QString::fromStdString(current_variant(p).name) : QString();
    setWindowTitle(QString::fromStdString(p.name) + variant + "[*] – Yemvo");
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

void MainWindow::refresh_hint() {
    if (is_showing_types())
        return status_->set_hint(
            "Types", {{"", "choose a type, change it, see where it is used"}, {"Esc", "back to the plan"}});
    if (is_preparing())
        return status_->set_hint("Prepare", {{"", "drag a frame round what is wanted"},
                                             {"V", "pick a line that is level"},
                                             {"Enter", "lay it"},
                                             {"Esc", "cancel"}});
    if (workspace_.in_view().site_shown())
        return status_->set_hint("Site", {{"", "drag a building; its handle turns it"},
                                          {"Shift", "15° steps"},
                                          {"", "double click opens it"}});
    status_->set_hint(plan_->tool().name(), plan_->tool().hint());
}

void MainWindow::show_plan_or_site() {
    QWidget* wanted = workspace_.in_view().site_shown() ? static_cast<QWidget*>(site_) : plan_;
    if (views_->currentWidget() != wanted) {
        views_->setCurrentWidget(wanted);
        if (workspace_.in_view().site_shown()) site_->fit();
        wanted->setFocus();
    }
    refresh_hint();
}

bool MainWindow::is_checking() const { return !findings_runner_->is_idle(); }
bool MainWindow::is_preparing() const { return pages_->currentWidget() == prepare_; }
bool MainWindow::is_working() const {
    return working_ > 0 || !files_->doing().isEmpty() || prepare_->is_working() ||
           !prepare_->canvas().is_idle();
}

void MainWindow::duplicate(FloorId id) {
    const Floor* floor = find_floor(document_.project(), id);
    if (!floor) return;
    const QString name = QString::fromStdString(floor->name);
    const auto parts = asking_.duplicate(name);
    if (!parts) return;
    FloorId made;
    workspace_.edit("Duplicate " + name, [&](Project& p) { made = duplicate_floor(p, id, *parts); });
    workspace_.in_view().show_floor(made);
}

void MainWindow::refresh_tray() {
    tray_->setVisible(tray_open_);
    auto* fold = findChild<QToolButton*>("foldTray");
    if (fold) fold->setIcon(icon(tray_open_ ? "chevron" : "chevron-up", theme().muted));
}

void MainWindow::show_start_page() {
    leftovers_.clear();
    for (const QString& root : Autosave::folders()) {
        const auto more = leftovers(root.toStdString());
        leftovers_.insert(leftovers_.end(), more.begin(), more.end());
    }
    start_->prepare(QSettings().value("recent").toStringList(), leftovers_, document_.is_open());
    pages_->setCurrentIndex(0);
}

void MainWindow::add_floor_on_top() {
    const Building* building =
        workspace_.floor() ? &building_with(document_.project(), workspace_.floor_id()) : nullptr;
    if (!building) return;
    FloorId made;
    workspace_.edit("Add floor", [&, id = building->id](Project& p) { made = add_floor(p, id); });
    workspace_.in_view().show_floor(made);
}

}  // namespace yemvo::app
