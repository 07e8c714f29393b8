// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/main_window.h"

#include <QCloseEvent>
#include <QGridLayout>
#include <QMimeData>
#include <QPainter>
#include <QScreen>
#include <QStackedWidget>
#include <QTabBar>
#include <QTimer>
#include <QToolButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/look/theme.h"
#include "app/model/activity.h"
#include "app/model/in_view.h"
#include "app/model/listening.h"
#include "app/offer/notice_bar.h"
#include "app/shell/header_bar.h"
#include "app/shell/menus.h"
#include "app/shell/status_line.h"
#include "project/project.h"
#include "render/tr.h"

namespace yemvo::app {
namespace {

constexpr int tray_height = 184;

/// A strip in chrome with a line above.
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

template <class Layout = QVBoxLayout>
Layout* tight(QWidget* parent) {
    auto* layout = new Layout(parent);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    return layout;
}

}  // namespace

MainWindow::MainWindow(QWidget* parent)
    : QMainWindow(parent), workspace_(document_), asking_(ask_by_dialogs(this)) {
    resize(1280, 800);
    setMinimumSize(1100, 700);
    fit_screen();
    setAcceptDrops(true);
    setWindowIcon(QIcon(":/icons/yemvo.svg"));
    lay_out();
    menus_ = std::make_unique<Menus>(header_->menus(), *this);
    make_commands();
    connect_parts();
}

MainWindow::~MainWindow() = default;

void MainWindow::complete() {
    arrange();
    fold_tray(false);
    refresh_title();
    leave_page();
}

/// The title bar needs room too, or it pushes the status line off a small screen.
void MainWindow::fit_screen() {
    constexpr int title_bar = 40;
    const QSize room = screen() ? screen()->availableSize() - QSize(0, title_bar) : size();
    resize(size().boundedTo(room.expandedTo(minimumSize())));
}

void MainWindow::lay_out() {
    auto* centre = new QWidget(this);
    auto* column = tight(centre);
    header_ = new HeaderBar(workspace_, centre);
    column->addWidget(header_);
    notices_ = new NoticeBar(centre);
    column->addWidget(notices_);

    work_ = new QWidget(centre);
    auto* rows = tight(work_);
    upper_ = new QGridLayout;
    upper_->setSpacing(0);
    beside_edge_ = new Edge(work_);
    upper_->addWidget(beside_edge_, 0, 3, 2, 1);
    middle_ = new QWidget(work_);
    auto* middle = tight(middle_);
    views_ = new QStackedWidget(middle_);
    middle->addWidget(views_, 1);
    upper_->addWidget(middle_, 0, 4);
    details_edge_ = new Edge(work_);
    rows->addLayout(upper_, 1);
    rows->addWidget(lay_out_tray(rows));

    pages_ = new QStackedWidget(centre);
    pages_->addWidget(work_);
    column->addWidget(pages_, 1);
    status_ = new StatusLine(centre);
    column->addWidget(status_);
    setCentralWidget(centre);
    say_work_ = new QTimer(this);
    say_work_->setSingleShot(true);
    say_work_->setInterval(150);
}

QWidget* MainWindow::lay_out_tray(QVBoxLayout* rows) {
    auto* head = new Strip(work_);
    head->setFixedHeight(31);
    auto* tabs_row = new QHBoxLayout(head);
    tabs_row->setContentsMargins(0, 1, 8, 0);
    tray_tabs_ = new QTabBar(head);
    tray_tabs_->setObjectName("trayTabs");
    tray_tabs_->setDrawBase(false);
    dress(tray_tabs_,
          "QTabBar::tab { padding: 6px 11px; border: 0; border-right: 1px solid @line; background: @chrome; }"
          "QTabBar::tab:selected { background: @paper; }");
    tabs_row->addWidget(tray_tabs_);
    tabs_row->addStretch(1);
    auto* fold = new QToolButton(head);
    fold->setObjectName("foldTray");
    fold->setFixedSize(24, 24);
    fold->setToolTip(tr("Open or fold the tray (Ctrl+T)"));
    connect(fold, &QToolButton::clicked, this, [this] { fold_tray(!tray_open_); });
    tabs_row->addWidget(fold);
    rows->addWidget(head);
    tray_ = new QStackedWidget(work_);
    tray_->setFixedHeight(tray_height);
    connect(tray_tabs_, &QTabBar::currentChanged, this, [this](int i) {
        tray_->setCurrentIndex(i);
        size_tray();
    });
    connect(tray_tabs_, &QTabBar::tabBarClicked, this, [this] { fold_tray(true); });
    return tray_;
}

/// The plan fills the middle; while something stands beside it, it goes to the right, over Details.
void MainWindow::arrange() {
    constexpr int beside_px = 334, details_beside_px = 292;
    const bool beside = beside_shown_ && beside_;
    if (beside_) beside_->setVisible(beside);
    beside_edge_->setVisible(beside);
    details_edge_->setVisible(!beside);
    upper_->removeWidget(details_edge_);
    if (!beside) upper_->addWidget(details_edge_, 0, 5, 2, 1);
    if (details_) {
        upper_->removeWidget(details_);
        beside ? upper_->addWidget(details_, 1, 4) : upper_->addWidget(details_, 0, 6, 2, 1);
        const int usual = details_->property("usualWidth").toInt();
        details_->setFixedWidth(beside ? beside_px : usual);
        details_->setMinimumHeight(beside ? details_beside_px : 0);
        details_->setMaximumHeight(beside ? details_beside_px : QWIDGETSIZE_MAX);
    }
    middle_->setMinimumWidth(beside ? beside_px : 0);
    middle_->setMaximumWidth(beside ? beside_px : QWIDGETSIZE_MAX);
    upper_->setColumnStretch(2, beside ? 1 : 0);
    upper_->setColumnStretch(4, beside ? 0 : 1);
    upper_->setRowStretch(0, 1);
    upper_->setRowStretch(1, 0);
}

void MainWindow::make_commands() {
    command("file.end", {"file.quit", tr("Quit"), QKeySequence::Quit, [this] { close(); }, Needs::nothing});
    static constexpr const char* steps[] = {mark("Venue"), mark("Demand"), mark("Placement"),
                                            mark("Spectrum"), mark("Proof")};
    for (int i = 0; i < 5; ++i)
        command("view.steps", {QString("view.step-%1").arg(i + 1), tr("Step %1").arg(tr(steps[i])),
                               QKeySequence(QString("Ctrl+%1").arg(i + 1)),
                               [this, i] { workspace_.activity().set_step(static_cast<Step>(i)); }});
    command("view.pages",
            {"view.tray", tr("Tray"), QKeySequence("Ctrl+T"), [this] { fold_tray(!tray_open_); }});
}

void MainWindow::connect_parts() {
    connect(say_work_, &QTimer::timeout, this, &MainWindow::tell_work);
    connect(status_, &StatusLine::cancel_asked, this, [this] {
        if (const Work* work = going_on(); work && work->stop) work->stop();
        work_changed();
    });
    connect(&workspace_, &Workspace::told, status_, &StatusLine::set_message);
    connect(pages_, &QStackedWidget::currentChanged, this, [this] {
        hint_changed();
        refresh_title();
    });
    listen(
        this, [this] { refresh_title(); }, document_, &Document::state_changed, workspace_,
        &Workspace::project_changed);
    listen(
        this, [this] { refresh_status(); }, workspace_.in_view(), &InView::floor_changed, workspace_,
        &Workspace::project_changed);
}

QAction* MainWindow::command(const char* section, const Command& c) { return menus_->add(section, c); }
QMenu* MainWindow::menu(const char* section, const QString& title) {
    return menus_->add_menu(section, title);
}
QAction* MainWindow::command_in(QMenu* menu, const Command& c) { return menus_->add_to(menu, c); }
QAction* MainWindow::action(const QString& id) const { return menus_->find(id); }
QMenuBar& MainWindow::menus() { return menus_->bar(); }

void MainWindow::put(Place place, QWidget* widget) {
    switch (place) {
        case Place::left:
            return upper_->addWidget(widget, 0, 0, 2, 1);
        case Place::tools:
            return upper_->addWidget(widget, 0, 1, 2, 1);
        case Place::beside_plan:
            beside_ = widget;
            return upper_->addWidget(widget, 0, 2, 2, 1);
        case Place::over_plan:
            return static_cast<QVBoxLayout*>(middle_->layout())->insertWidget(0, widget);
        case Place::details:
            details_ = widget;
            widget->setParent(work_);
            widget->setProperty("usualWidth", widget->width());
            return;
        case Place::header:
            return header_->add(widget);
    }
}

void MainWindow::view(QWidget* widget, std::function<Hint()> hint) {
    views_->addWidget(widget);
    hints_.push_back({widget, std::move(hint)});
}

void MainWindow::page(QWidget* widget, std::function<Hint()> hint, PageKind kind) {
    pages_->addWidget(widget);
    if (kind == PageKind::task) tasks_.push_back(widget);
    hints_.push_back({widget, std::move(hint)});
}

void MainWindow::home(QWidget* widget) {
    home_ = widget;
    pages_->addWidget(widget);
    pages_->setCurrentWidget(widget);
}

void MainWindow::tray_page(const QString& title, QWidget* widget) {
    tray_->addWidget(widget);  // before its tab, which shows it
    tray_tabs_->addTab(title);
    tray_tabs_->updateGeometry();
}

void MainWindow::named_things(std::function<void(std::vector<NamedThing>&)> add) {
    named_.push_back(std::move(add));
}

std::vector<NamedThing> MainWindow::all_named_things() const {
    std::vector<NamedThing> all;
    if (document_.is_open())
        for (const auto& add : named_) add(all);
    return all;
}

void MainWindow::takes_dropped(TakesDropped take) { take_dropped_.push_back(std::move(take)); }

void MainWindow::before_closing(std::function<void(const std::function<void()>&)> ask) {
    before_closing_.push_back(std::move(ask));
}

void MainWindow::works(Work work) { working_.push_back(std::move(work)); }

void MainWindow::show_page(QWidget* widget) {
    pages_->setCurrentWidget(widget);
    widget->setFocus();
}

void MainWindow::leave_page() {
    pages_->setCurrentWidget(document_.is_open() || !home_ ? work_ : home_);
    if (document_.is_open()) views_->currentWidget()->setFocus();
}

bool MainWindow::is_in_front(const QWidget* page) const { return pages_->currentWidget() == page; }
bool MainWindow::work_in_front() const { return is_in_front(work_); }
bool MainWindow::task_in_front() const { return std::ranges::count(tasks_, pages_->currentWidget()) > 0; }
QWidget* MainWindow::view_in_front() const { return views_->currentWidget(); }

void MainWindow::show_view(QWidget* widget) {
    if (views_->currentWidget() != widget) {
        views_->setCurrentWidget(widget);
        widget->setFocus();
    }
    hint_changed();
}

void MainWindow::show_beside_plan(QWidget* widget, bool on) {
    if (widget != beside_ || on == beside_shown_) return;
    beside_shown_ = on;
    arrange();
}

void MainWindow::show_tray(QWidget* page) {
    fold_tray(true);
    tray_tabs_->setCurrentIndex(tray_->indexOf(page));
}

/// A page that asks for more than the usual height gets it, where the plan keeps the larger part.
void MainWindow::size_tray() {
    constexpr double most_of_window = 0.45;
    const QWidget* page = tray_->currentWidget();
    const int asked = page ? page->property(tray_height_property).toInt() : 0;
    tray_->setFixedHeight(
        std::max(tray_height, std::min(asked, static_cast<int>(height() * most_of_window))));
}

void MainWindow::resizeEvent(QResizeEvent* e) {
    QMainWindow::resizeEvent(e);
    size_tray();
}

void MainWindow::fold_tray(bool open) {
    tray_open_ = open;
    tray_->setVisible(open);
    if (auto* fold = findChild<QToolButton*>("foldTray"))
        fold->setIcon(icon(open ? "chevron" : "chevron-up", theme().muted));
}

const Work* MainWindow::going_on() const {
    for (const Work& work : working_)
        if (!work.doing().isEmpty()) return &work;
    return nullptr;
}

/// What is done at once is not announced: the frames of a drag would spend their time on it.
void MainWindow::work_changed() {
    const bool on = going_on() != nullptr;
    if (!on) say_work_->stop();
    if (!on || status_->is_working()) return tell_work();
    if (!say_work_->isActive()) say_work_->start();
}

void MainWindow::tell_work() {
    if (const Work* work = going_on())
        return status_->set_work(work->doing(), work->stop && (!work->can_stop || work->can_stop()));
    QString rest;
    for (const Work& work : working_)
        if (rest.isEmpty() && work.at_rest && document_.is_open()) rest = work.at_rest();
    status_->set_work(rest, false);
}

Hint MainWindow::hint() const {
    const QWidget* in_front = work_in_front() ? views_->currentWidget() : pages_->currentWidget();
    for (const Page& page : hints_)
        if (page.widget == in_front) return page.hint();
    return {};
}

void MainWindow::hint_changed() {
    const Hint now = hint();
    status_->set_hint(now.what, now.parts);
}

void MainWindow::set_pointer(const QString& text) {
    status_->set_place(document_.is_open() ? text : QString());
}
void MainWindow::set_scale(const QString& text) { status_->set_scale(text); }

void MainWindow::refresh_status() {
    const Floor* f = workspace_.floor();
    status_->set_floor(f ? QString::fromStdString(f->name) : QString());
    if (f) status_->set_units(workspace_.units() == LengthUnits::metres ? tr("m, dBm") : "ft, dBm");
}

void MainWindow::refresh_title() {
    menus_->enable(document_.is_open() && !task_in_front(), work_in_front());
    if (!document_.is_open()) return setWindowTitle("Yemvo");
    const Project& p = document_.project();
    const QString variant =
        p.variants.size() > 1 ? ", " + QString::fromStdString(current_variant(p).name) : QString();
    setWindowTitle(tr("%1%2[*] – Yemvo").arg(QString::fromStdString(p.name), variant));
    setWindowModified(document_.is_modified());
}

void MainWindow::tell_fault(const QString& why) {
    Notice notice{"fault",
                  tr("That could not be done: %1. The project is as it was before; save it.").arg(why),
                  true,
                  {}};
    if (QAction* save = action("file.save"))
        notice.actions.push_back({tr("Save now"), "saveAfterFault", [save] { save->trigger(); }});
    notices_->show_notice(std::move(notice));
}

/// Closing goes on by itself when something has to be done first.
void MainWindow::closeEvent(QCloseEvent* e) {
    if (!may_close_) {
        const auto deciding = std::make_shared<bool>(true);
        std::function<void()> go = [this, deciding] {
            may_close_ = true;
            if (!*deciding) close();
        };
        for (const auto& ask : before_closing_) go = [ask, go] { ask(go); };
        go();
        *deciding = false;
    }
    e->setAccepted(may_close_);
}

void MainWindow::dragEnterEvent(QDragEnterEvent* e) {
    if (e->mimeData()->hasUrls()) e->acceptProposedAction();
}

void MainWindow::dropEvent(QDropEvent* e) {
    QStringList files;
    for (const QUrl& url : e->mimeData()->urls())
        if (url.isLocalFile()) files << url.toLocalFile();
    if (files.isEmpty()) return workspace_.tell(tr("Only files of this machine can be dropped here"), true);
    e->acceptProposedAction();
    for (const auto& take : take_dropped_)
        if (take(files, mapToGlobal(e->position().toPoint()))) return;
}

}  // namespace yemvo::app
