// SPDX-License-Identifier: GPL-3.0-or-later
// The page from which a plan is handed over: the report with its pages beside it, and files for other
// programs.
#pragma once
#include <QWidget>

#include "app/behind/behind.h"
#include "app/handover/report_preview.h"
#include "project/project.h"

class QCheckBox;
class QLabel;
class QPushButton;

namespace yemvo::app {

struct Asking;
class Form;
class ReportSide;
class Workspace;

class HandoverPage : public QWidget {
    Q_OBJECT
public:
    HandoverPage(Workspace&, Asking&, QWidget* parent = nullptr);
    ~HandoverPage() override;
    ReportPreview& preview() { return *preview_; }
    ReportSide& side() { return *side_; }
    bool is_working() const { return !behind_.is_idle() || !writing_.is_idle() || preview_->is_painting(); }
    QString doing() const;
    void stop();
    /// Asks where to, then writes behind the window.
    void write_report();
    void write_files();

signals:
    void left();
    void progressed();

protected:
    void showEvent(QShowEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    QWidget* make_head();
    QWidget* make_side();
    QWidget* make_files();
    void refresh();
    bool tell_faults();  ///< false: something stops the report
    /// The same project with the same maps: what was worked out still holds.
    bool still_holds(const Project&) const;
    void take(const std::shared_ptr<const LaidReport>&);
    void show_pages(const std::shared_ptr<const LaidReport>&);
    Workspace& workspace_;
    Asking& asking_;
    Behind behind_, writing_, freeing_;
    std::shared_ptr<const LaidReport> laid_;
    Project basis_;
    ReportSide* side_;
    ReportPreview* preview_;
    Form* place_ = nullptr;
    QLabel *about_ = nullptr, *faults_ = nullptr;
    QPushButton* write_ = nullptr;
    std::vector<QCheckBox*> kinds_;
};

}  // namespace yemvo::app
