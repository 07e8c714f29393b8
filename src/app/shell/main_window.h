// SPDX-License-Identifier: GPL-3.0-or-later
// The window: what stands where, what is in front, menus and the line at the foot. Everything in it is
// offered by the features (app/offer/shell.h).
#pragma once
#include <QMainWindow>
#include <memory>

#include "app/asking/asking.h"
#include "app/model/document.h"
#include "app/model/workspace.h"
#include "app/offer/shell.h"

class QGridLayout;
class QStackedWidget;
class QTabBar;
class QTimer;
class QVBoxLayout;

namespace yemvo::app {

class HeaderBar;
class Menus;
class StatusLine;

class MainWindow : public QMainWindow, public Shell {
    Q_OBJECT
public:
    explicit MainWindow(QWidget* parent = nullptr);
    ~MainWindow() override;

    Workspace& workspace() override { return workspace_; }
    Asking& asking() override { return asking_; }
    NoticeBar& notices() override { return *notices_; }
    StatusLine& status() { return *status_; }
    bool is_in_front(const QWidget* page) const override;
    QAction* action(const QString& id) const override;
    void show_tray(QWidget* page) override;
    /// Something went wrong that nothing else deals with: what was asked for was not done.
    void tell_fault(const QString& why);

protected:
    /// Once all features have made their offers.
    void complete();

    QAction* command(const char* section, const Command&) override;
    QMenu* menu(const char* section, const QString& title) override;
    QAction* command_in(QMenu*, const Command&) override;
    void put(Place, QWidget*) override;
    void view(QWidget*, std::function<Hint()>) override;
    void tray_page(const QString& title, QWidget*) override;
    void page(QWidget*, std::function<Hint()>, PageKind = PageKind::look) override;
    void home(QWidget*) override;
    void named_things(std::function<void(std::vector<NamedThing>&)>) override;
    void takes_dropped(TakesDropped) override;
    void before_closing(std::function<void(const std::function<void()>&)>) override;
    void works(Work) override;
    void show_page(QWidget*) override;
    void leave_page() override;
    bool work_in_front() const override;
    bool task_in_front() const override;
    void show_view(QWidget*) override;
    QWidget* view_in_front() const override;
    void show_beside_plan(QWidget*, bool on) override;
    void work_changed() override;
    void hint_changed() override;
    void set_pointer(const QString&) override;
    void set_scale(const QString&) override;
    QMenuBar& menus() override;
    std::vector<NamedThing> all_named_things() const override;
    QWidget* frame() override { return this; }

    void closeEvent(QCloseEvent*) override;
    void dragEnterEvent(QDragEnterEvent*) override;
    void dropEvent(QDropEvent*) override;

    Document document_;
    Workspace workspace_;

private:
    void fit_screen();
    void lay_out();
    QWidget* lay_out_tray(QVBoxLayout*);
    void make_commands();
    void connect_parts();
    void arrange();
    void size_tray();
    void resizeEvent(QResizeEvent*) override;
    void fold_tray(bool open);
    void refresh_title();
    void refresh_status();
    void tell_work();
    const Work* going_on() const;

    struct Page {
        QWidget* widget;
        std::function<Hint()> hint;
    };
    Hint hint() const;
    Asking asking_;
    HeaderBar* header_ = nullptr;
    NoticeBar* notices_ = nullptr;
    StatusLine* status_ = nullptr;
    std::unique_ptr<Menus> menus_;
    QStackedWidget* pages_ = nullptr;  ///< the work, and what takes its place
    QWidget *work_ = nullptr, *home_ = nullptr;
    QGridLayout* upper_ = nullptr;
    QWidget* middle_ = nullptr;  ///< what is over the plan, and the views
    QStackedWidget* views_ = nullptr;
    QWidget *beside_ = nullptr, *details_ = nullptr;
    QWidget *beside_edge_ = nullptr, *details_edge_ = nullptr;
    QStackedWidget* tray_ = nullptr;
    QTabBar* tray_tabs_ = nullptr;
    QTimer* say_work_ = nullptr;
    std::vector<Page> hints_;
    std::vector<QWidget*> tasks_;
    std::vector<Work> working_;
    std::vector<std::function<void(std::vector<NamedThing>&)>> named_;
    std::vector<TakesDropped> take_dropped_;
    std::vector<std::function<void(const std::function<void()>&)>> before_closing_;
    bool tray_open_ = false, beside_shown_ = false, may_close_ = false;
};

}  // namespace yemvo::app
