// SPDX-License-Identifier: GPL-3.0-or-later
// Proof: what is required, what is reached, where it is missed, and what the model's own checks found.
#pragma once
#include <QWidget>
#include <vector>

#include "app/model/workspace.h"
#include "checks/findings.h"
#include "coverage/verdict.h"

class QLabel;
class QPushButton;
class QTimer;
class QToolButton;
class QVBoxLayout;

namespace yemvo::app {

class ProofTable;
class WorstCards;

/// The open findings in one line each; a click goes there.
class FindingLines : public QWidget {
    Q_OBJECT
public:
    explicit FindingLines(Workspace&, QWidget* parent = nullptr);

signals:
    void all_asked();

protected:
    void paintEvent(QPaintEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void mouseMoveEvent(QMouseEvent*) override;

private:
    void refresh();
    int line_at(int y) const;
    Workspace& workspace_;
    std::vector<Finding> lines_;
    std::size_t more_ = 0;
    int hovered_ = -1;
};

class ProofPage : public QWidget {
    Q_OBJECT
public:
    explicit ProofPage(Workspace&, QWidget* parent = nullptr);
    ProofTable& table() { return *table_; }
    WorstCards& cards() { return *cards_; }
    /// To the clipboard, for a spreadsheet.
    void copy_table();

protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override;
    void keyPressEvent(QKeyEvent*) override;

private:
    void refresh();
    void add_head(QVBoxLayout*);
    Workspace& workspace_;
    QLabel *title_, *about_, *worst_title_, *findings_title_, *legend_;
    QToolButton *floors_, *zones_;
    QPushButton* next_ = nullptr;
    ProofTable* table_;
    WorstCards* cards_;
    FindingLines* findings_;
};

/// What is still missing before anything can be proved; empty when nothing is.
/// `verdict`: null while none is worked out.
QString proof_lacks(const Project&, const Verdict* verdict = nullptr);

}  // namespace yemvo::app
