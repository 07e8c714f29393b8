// SPDX-License-Identifier: GPL-3.0-or-later
// What a report holds and how: its sections, ticked and put in order; its maps, names, paper.
#pragma once
#include <QWidget>
#include <functional>

class QListWidget;
class QPlainTextEdit;

namespace yemvo {
struct ReportChoice;
}

namespace yemvo::app {

struct Asking;
class Form;
class Workspace;

class ReportSide : public QWidget {
    Q_OBJECT
public:
    ReportSide(Workspace&, Asking&, QWidget* parent = nullptr);
    void refresh();
    QListWidget& sections() { return *sections_; }
    QListWidget& maps() { return *maps_; }

private:
    QWidget* make_quick();
    QWidget* make_sections();
    QWidget* make_maps();
    QWidget* make_words();
    QWidget* make_habit();
    Form* make_form();
    void change(const QString& label, const std::function<void(ReportChoice&)>&);
    void take_sections();
    void move_section(int by);
    void add_map();
    void remove_map();
    void choose_logo();
    void keep_habit();
    void take_habit();
    Workspace& workspace_;
    Asking& asking_;
    QListWidget *sections_ = nullptr, *maps_ = nullptr;
    QPlainTextEdit* words_ = nullptr;
    Form* form_ = nullptr;
    bool filling_ = false;
};

}  // namespace yemvo::app
