// SPDX-License-Identifier: GPL-3.0-or-later
// The tray page that explains one place: who is heard there, one link drawn, and its sum term by term.
#pragma once
#include <QWidget>

#include "app/model/workspace.h"

class QComboBox;
class QListWidget;
class QLabel;
class QScrollArea;
class QTableWidget;
class QToolButton;

namespace yemvo {
struct LinkExplanation;
}

namespace yemvo::app {

class LinkChart;

class LinkProfilePage : public QWidget {
    Q_OBJECT
public:
    explicit LinkProfilePage(Workspace&, QWidget* parent = nullptr);
    QListWidget* heard() { return heard_; }
    QTableWidget* terms() { return terms_; }
    QString sentence() const;

private:
    void refresh();
    void showEvent(QShowEvent*) override;
    void changeEvent(QEvent*) override;
    void fill_probes();
    void fill_heard();
    void fill_terms();
    void tell_rates(const LinkExplanation&);
    QLayout* build_sides();
    void show_rates(bool);
    void paintEvent(QPaintEvent*) override;
    Workspace& workspace_;
    QComboBox* probes_;
    QListWidget* heard_;
    LinkChart* chart_;
    QTableWidget* terms_;
    QLabel *noise_, *sentence_, *rates_;
    QToolButton* sides_[2];
    QLabel* heads_[2];
    QScrollArea* rates_area_;
    bool filling_ = false, stale_ = false;
    const void* listed_ = nullptr;  ///< the probes in the choice
};

}  // namespace yemvo::app
