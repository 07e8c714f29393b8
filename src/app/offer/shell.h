// SPDX-License-Identifier: GPL-3.0-or-later
// What a feature of the window offers, and what it may ask of the window round it. A feature makes its offers
// in its constructor; the shell goes through them and knows no feature by name. features.cpp lists the
// features.
#pragma once
#include <QKeySequence>
#include <QPoint>
#include <QString>
#include <QStringList>
#include <functional>
#include <vector>

#include "app/offer/hint.h"

class QAction;
class QMenu;
class QMenuBar;
class QWidget;

namespace yemvo::app {

struct Asking;
class NoticeBar;
class Workspace;

/// What has to be there for a command to run.
enum class Needs {
    nothing,
    project,  ///< open, whatever page is in front
    work      ///< a project, and its work in front
};

/// Something a person can do by menu, key or name.
struct Command {
    QString id;  ///< "edit.turn-left": stays when its words change
    QString text;
    QKeySequence key = {};
    std::function<void()> run;
    Needs needs = Needs::work;
    std::function<bool()> is_on = {};  ///< for what is on or off
    QString tip = {};
};

/// Something that is found by its name: a floor, a zone, a type.
struct NamedThing {
    QString name, where;
    std::function<void()> go;
};

/// Where a widget stands round the plan.
enum class Place {
    left,         ///< the column of the building
    tools,        ///< the column beside it
    beside_plan,  ///< takes the plan's place while it is shown; the plan moves to the right, over Details
    over_plan,    ///< the bar above
    details,
    header,  ///< at the right end
};

/// What goes on behind the window, for the line at the foot.
struct Work {
    std::function<QString()> doing;         ///< empty: nothing
    std::function<void()> stop = {};        ///< none: it cannot be stopped
    std::function<bool()> can_stop = {};    ///< none: whenever there is something to stop
    std::function<QString()> at_rest = {};  ///< said while nothing goes on
};

/// A tray page may have a height that it asks for [px], as a property of this name.
inline constexpr const char* tray_height_property = "trayHeight";

/// Pixels, for what stands in it.
inline constexpr int header_height = 48;

class Shell {
public:
    virtual ~Shell() = default;

    // offers
    /// `section` is one of those in shell/menus.cpp: "edit.shape".
    virtual QAction* command(const char* section, const Command&) = 0;
    /// A menu within a menu; commands are added to it by command_in.
    virtual QMenu* menu(const char* section, const QString& title) = 0;
    virtual QAction* command_in(QMenu*, const Command&) = 0;
    virtual void put(Place, QWidget*) = 0;
    /// One of those that take the middle: the plan, the site.
    virtual void view(QWidget*, std::function<Hint()>) = 0;
    virtual void tray_page(const QString& title, QWidget*) = 0;
    /// A page that takes the place of all the work while it is in front. A task is ended before anything else
    /// is gone to.
    enum class PageKind { look, task };
    virtual void page(QWidget*, std::function<Hint()>, PageKind = PageKind::look) = 0;
    /// The page that is in front while no project is open.
    virtual void home(QWidget*) = 0;
    virtual void named_things(std::function<void(std::vector<NamedThing>&)>) = 0;
    /// Asked one after another until one takes the files; `at`: where they fell, on the screen.
    using TakesDropped = std::function<bool(const QStringList& files, QPoint at)>;
    virtual void takes_dropped(TakesDropped) = 0;
    /// Goes on once the window may close: at once, later, or never.
    virtual void before_closing(std::function<void(const std::function<void()>& go)>) = 0;
    /// Those offered first go before others.
    virtual void works(Work) = 0;

    // asks
    virtual void show_page(QWidget*) = 0;
    /// The work, or the home page while no project is open.
    virtual void leave_page() = 0;
    virtual bool is_in_front(const QWidget* page) const = 0;
    /// No page stands before the work.
    virtual bool work_in_front() const = 0;
    virtual bool task_in_front() const = 0;
    virtual void show_view(QWidget*) = 0;
    virtual QWidget* view_in_front() const = 0;
    /// A widget put beside the plan takes its place, or gives it back.
    virtual void show_beside_plan(QWidget*, bool on) = 0;
    virtual void show_tray(QWidget* page) = 0;
    virtual void work_changed() = 0;
    virtual void hint_changed() = 0;
    /// Where the pointer is, as the line at the foot says it; empty: nowhere.
    virtual void set_pointer(const QString&) = 0;
    virtual void set_scale(const QString&) = 0;
    virtual QAction* action(const QString& id) const = 0;
    virtual QMenuBar& menus() = 0;
    virtual std::vector<NamedThing> all_named_things() const = 0;
    virtual Asking& asking() = 0;
    virtual NoticeBar& notices() = 0;
    virtual Workspace& workspace() = 0;
    /// Parent of what is shown.
    virtual QWidget* frame() = 0;
};

}  // namespace yemvo::app
