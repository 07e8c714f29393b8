// SPDX-License-Identifier: GPL-3.0-or-later
// Earlier versions of the project's file, and unsaved work that was discarded: to look at and to bring back.
#pragma once
#include <QWidget>
#include <vector>

#include "project/journal.h"
#include "project/versions.h"

class QLabel;
class QTableWidget;
class QPushButton;

namespace yemvo::app {

class VersionsPage : public QWidget {
    Q_OBJECT
public:
    explicit VersionsPage(QWidget* parent = nullptr);
    /// What there is about one file, or about every file where it is empty.
    void list(const QString& file, const std::vector<KeptVersion>&, const std::vector<Leftover>& discarded);
    QTableWidget* table() { return table_; }

signals:
    /// To look at, as a project without a file.
    void open_asked(const yemvo::KeptVersion&);
    /// To work on as the file's next version; the file changes when it is saved.
    void restore_asked(const yemvo::KeptVersion&);
    void take_back_asked(const yemvo::Leftover&);
    void left();

protected:
    void keyPressEvent(QKeyEvent*) override;

private:
    void refresh_buttons();
    void paintEvent(QPaintEvent*) override;
    std::vector<KeptVersion> versions_;
    std::vector<Leftover> discarded_;
    QLabel *title_, *nothing_;
    QTableWidget* table_;
    QPushButton *open_, *restore_;
};

}  // namespace yemvo::app
