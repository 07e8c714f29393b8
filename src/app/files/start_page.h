// SPDX-License-Identifier: GPL-3.0-or-later
// What the window shows while no project is open, and for a new one: everything on one page.
#pragma once
#include <QWidget>
#include <vector>

#include "project/journal.h"

class QLineEdit;
class QComboBox;
class QSpinBox;
class QLabel;
class QVBoxLayout;
class QPushButton;

namespace yemvo::app {

class StartPage : public QWidget {
    Q_OBJECT
public:
    explicit StartPage(QWidget* parent = nullptr);
    void prepare(const QStringList& recent_files, const std::vector<Leftover>& unsaved, bool can_go_back);
    QLineEdit* name_field() { return name_; }

signals:
    void create_asked(const yemvo::Project&);
    void open_asked();
    void open_file_asked(const QString& file);
    void demo_asked();
    void back_asked();
    void recover_asked(int index);
    void discard_asked(int index);

private:
    void create();
    void list_unsaved(const std::vector<Leftover>&);
    void paintEvent(QPaintEvent*) override;
    QLineEdit *name_, *height_;
    QComboBox *country_, *units_;
    QSpinBox* floors_;
    QLabel* fault_;
    QVBoxLayout *recent_, *unsaved_;
    QPushButton* back_;
};

}  // namespace yemvo::app
